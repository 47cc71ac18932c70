'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { readScan } from '@/codecs/label-text'
import { readMark } from '@/core/tool'
import type { Result } from '@/core/units'
import { ScanAction } from '../common/actions'
import { Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'

/** A broken tool's sister by one scan of its holder. */
export function NowPanel({
  tools,
  need,
}: {
  /** What may be called broken: tools that stand in machines. */
  readonly tools: readonly { readonly serial: string; readonly text: string }[]
  readonly need: (given: { serial: string }) => Promise<Result<{ id: string }, { text: string }>>
}) {
  const router = useRouter()
  const { problem, run, setProblem } = useAct()
  const [asked, setAsked] = useState<string | null>(null)
  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    const serial = scan.type === 'label' ? scan.label.serial : scan.type === 'plain' ? readMark(scan.text) : null
    if (!serial) return null
    const known = scan.type === 'plain' ? await actions.answerScan(raw) : null
    if (known?.kind && known.kind !== 'holder') return known
    const done = await need({ serial })
    setProblem(done.ok ? null : done.error.text)
    return done.ok
      ? { title: serial, text: 'its sister is wanted before everything else', tone: 'holds', href: `/kit/${done.value.id}` }
      : { title: serial, text: done.error.text, tone: 'off' }
  })
  return (
    <div className="flex flex-1 flex-col">
      <h2 className="text-2xl font-bold">In machines now</h2>
      <ul className="flex-1 overflow-auto" tabIndex={0} aria-label="Tools in machines">
        {tools.map(({ serial, text }) => (
          <li key={serial} className="border-rule flex min-h-12 items-center justify-between gap-3 border-b">
            <span>{text}</span>
            {asked === serial ? (
              <button
                className="bg-act text-act-ink font-head h-11 rounded-[3px] px-3 text-lg font-semibold"
                onClick={() =>
                  void run(
                    () => need({ serial }),
                    ({ id }) => router.push(`/kit/${id}`),
                  )
                }
              >
                Yes, broken
              </button>
            ) : (
              <button className="text-act font-head h-11 px-2 text-lg font-semibold" onClick={() => setAsked(serial)}>
                broken …
              </button>
            )}
          </li>
        ))}
        {tools.length === 0 && <li className="text-soft py-3 text-lg">No tool stands in a machine, as far as is known.</li>}
      </ul>
      {problem ? (
        <Say tone="off" lead="Not asked for." role="alert">
          {problem}
        </Say>
      ) : (
        <Say tone="todo" lead="One scan is enough.">
          The mark on the broken tool’s holder, or its label: the sister goes to the front of every rack.
        </Say>
      )}
      <ScanAction>Scan the broken tool</ScanAction>
    </div>
  )
}
