'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import { readMark } from '@/core/tool'
import { BigAction, RowAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

/** A broken tool's sister by one scan of its holder. */
export function NowPanel({
  tools,
  need,
}: {
  /** What may be called broken: tools that stand in machines. */
  readonly tools: readonly { readonly serial: string; readonly text: string }[]
  readonly need: Ask<typeof kit.neededNow>
}) {
  const router = useGo()
  const { problem, run, setProblem } = useAct()
  const [asked, setAsked] = useState<string | null>(null)
  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    const serial = scan.type === 'label' ? scan.label.serial : scan.type === 'plain' ? readMark(scan.text) : null
    if (!serial) return null
    const known = scan.type === 'plain' ? await actions.answerScan(raw) : null
    if (known?.kind && known.kind !== 'holder') return known
    setProblem(null)
    setAsked(serial)
    return { title: serial, text: say.isItBrokenConfirmIt, tone: 'todo' }
  })
  return (
    <div className="flex flex-1 flex-col">
      <h2 className="text-2xl font-bold">{say.inMachinesNow}</h2>
      <ul className="flex-1 overflow-auto" tabIndex={0} aria-label={say.toolsInMachines}>
        {tools.map(({ serial, text }) => (
          <li key={serial} className="border-rule flex min-h-12 items-center justify-between gap-3 border-b">
            <span>{text}</span>
            <RowAction
              aria-pressed={asked === serial}

              onAct={() => {
                setProblem(null)
                setAsked(serial)
              }}
            >
              {say.broken}
            </RowAction>
          </li>
        ))}
        {tools.length === 0 && <li className="text-soft py-3 text-lg">{say.byTheRecordThereIs}</li>}
      </ul>
      {asked !== null && !problem && (
        <Say tone="unsure" lead={say.isBroken(tools.find((t) => t.serial === asked)?.text ?? asked)} role="alert">
          {say.theToolIsReportedBroken}
        </Say>
      )}
      {problem ? (
        <Say tone="off" lead={say.notSaved} role="alert">
          {problem}
        </Say>
      ) : (
        asked === null && (
          <Say tone="todo" lead={say.scanTheBrokenTool}>
            {say.scanTheMarkOnIts}
          </Say>
        )
      )}
      {asked === null ? (
        <ScanAction>{say.scanTheBrokenToolTitle}</ScanAction>
      ) : (
        <>
          <SmallActions>
            <SmallAction onAct={() => setAsked(null)}>{say.noTitle}</SmallAction>
          </SmallActions>
          <BigAction
            onAct={() =>
              void run(
                () => need({ serial: asked }),
                ({ id }) => router.push(`/kit/${id}`),
              )
            }
          >
            {say.yesItIsBroken}
          </BigAction>
        </>
      )}
    </div>
  )
}
