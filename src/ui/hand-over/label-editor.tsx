'use client'
import { useEffect, useRef, useState } from 'react'
import { BigAction } from '../common/actions'
import { SelectField } from '../common/form'
import { MachineSelect } from '../common/machine-select'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'
import { Lines, SizeAndCode } from './label-fields'
import { Given, LabelEditorProps, useDraft, Draft } from './label-draft'

type Tried = Awaited<ReturnType<Ask<typeof handOver.tryLabel>>>

const SOON_MS = 250

/** The label as it would be printed, a moment after somebody stopped typing. */
function useTried(given: Given | null, tryLabel: LabelEditorProps['tryLabel']): Tried | null {
  const [tried, setTried] = useState<Tried | null>(null)
  const asked = JSON.stringify(given)
  // whoever signs in meanwhile may try what could not be tried before
  const who = useShell().person?.id
  useEffect(() => {
    if (asked === 'null') return
    let off = false
    const timer = setTimeout(() => {
      tryLabel(JSON.parse(asked) as Given)
        .then((answer) => !off && setTried(answer))
        .catch(() => !off && setTried({ ok: false, error: { code: 'OFFLINE', text: say.noAnswerFromTheTool } }))
    }, SOON_MS)
    return () => {
      off = true
      clearTimeout(timer)
    }
  }, [asked, tryLabel, who])
  return tried
}

/** How a machine's labels look: its lines as small templates, with the label beside them as it would be printed. */
export function LabelEditor(props: LabelEditorProps) {
  const { machine, machines, tools, fields } = props
  const draft = useDraft(props)
  const tried = useTried(draft.given, props.tryLabel)
  const at = useRef(0)
  const { lines, change } = draft
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
          <div className="flex items-center justify-between gap-4">
            <Title lead={say.labels}>{say.forName(machine.name)}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/hand-over/labels" />
          </div>
          <Drawn machine={machine.name} some={tools.length > 0} tried={tried} />
          {tools.length > 0 && (
            <SelectField
              label={say.triedOn}
              value={draft.handover ?? ''}
              onChange={(e) => draft.setHandover(Number(e.target.value))}
              className="max-w-[420px]"
            >
              {tools.map((t) => (
                <option key={t.id} value={t.id}>
                  {t.name}
                </option>
              ))}
            </SelectField>
          )}
          <h2 className="mt-1 text-xl font-bold">{say.fieldsToInsert}</h2>
          <ul className="flex flex-wrap gap-2">
            {Object.entries(fields).map(([key, about]) => (
              <li key={key}>
                <button
                  type="button"
                  title={about}
                  className="btn btn-outline px-3"
                  onClick={() => change(at.current, `${lines[at.current] ?? ''} {{ ${key} }}`.trimStart())}
                >
                  {key}
                </button>
              </li>
            ))}
          </ul>
          <p className="text-soft">{say.tapAFieldToAdd}</p>
        </>
      }
      right={
        <>
          <Lines draft={draft} cut={tried?.ok ? tried.value.cut : []} focused={(i) => (at.current = i)} />
          <SizeAndCode draft={draft} />
          <Keep {...props} draft={draft} tried={tried} />
        </>
      }
    />
  )
}

function Drawn({ machine, some, tried }: { readonly machine: string; readonly some: boolean; readonly tried: Tried | null }) {
  if (!some) return <p className="text-soft text-lg">{say.releaseAToolForFirst(machine)}</p>
  if (!tried?.ok) return <p className="text-soft text-lg">{tried ? say.noLabelToShow : say.drawingIt}</p>
  return (
    // eslint-disable-next-line @next/next/no-img-element -- drawn on the server, in true proportion
    <img
      src={`data:image/svg+xml;utf8,${encodeURIComponent(tried.value.svg)}`}
      alt={say.theLabelAsItWould}
      className="border-rule w-full max-w-[620px] border bg-white"
    />
  )
}

/** What speaks against the label, and the press that puts it in force for the machine. */
function Keep({ machine, lead, keep, draft, tried }: LabelEditorProps & { readonly draft: Draft; readonly tried: Tried | null }) {
  const { busy, problem, run } = useAct()
  // the version that these lines were opened with
  const [version, setVersion] = useState(machine.version)
  const { given, kept, setKept } = draft
  const fits = tried?.ok === true && tried.value.cut.length === 0
  return (
    <div className="mt-auto flex flex-col gap-2.5 pt-3">
      {tried && !tried.ok && (
        <Say tone="off" lead={say.itCannotBePrintedSo}>
          {tried.error.text}
        </Say>
      )}
      {!lead && (
        <Say tone="todo" lead={say.onlyALeadCanSave}>
          {say.everybodyReadsTheseLabels}
        </Say>
      )}
      {kept && (
        <Say tone="holds" lead={say.kept} role="status">
          {say.everyLabelOfLooksLike(machine.name)}
        </Say>
      )}
      <Problem lead={say.notKept} text={problem} />
      <BigAction
        disabled={busy || !lead || !given || !fits}
        onAct={() =>
          given &&
          void run(
            () => keep({ ...given, version }),
            () => {
              setKept(true)
              setVersion((v) => v + 1)
            },
          )
        }
      >
        {say.keepFor(machine.name)}
      </BigAction>
    </div>
  )
}
