'use client'
import { useEffect, useRef, useState } from 'react'
import type { LabelLayout } from '@/core/tool'
import { parseLength } from '@/core/units'
import { BigAction } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { MachineSelect } from '../common/machine-select'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnsaved } from '../shell/shell-context'
import type { Ask, Asked } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

type Given = Asked<typeof handOver.tryLabel>
type Tried = Awaited<ReturnType<Ask<typeof handOver.tryLabel>>>

/** @returns 0 while it is no length: the size is then refused */
const mmOf = (text: string): number => {
  const mm = parseLength(text, 'mm')
  return mm.ok ? mm.value : 0
}

const MOST_LINES = 8
const SOON_MS = 250

/** How a machine's labels look: its lines as small templates, with the label beside them as it would be printed. */
export function LabelEditor({
  machine,
  machines,
  layout,
  code,
  tools,
  fields,
  lead,
  tryLabel,
  keep,
}: {
  readonly machine: { readonly key: string; readonly name: string; readonly version: number }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly layout: LabelLayout
  readonly code: 'datamatrix' | 'qr'
  /** Hand-overs to try it on. */
  readonly tools: readonly { readonly id: number; readonly name: string }[]
  /** Fields to insert. */
  readonly fields: Readonly<Record<string, string>>
  readonly lead: boolean
  readonly tryLabel: Ask<typeof handOver.tryLabel>
  readonly keep: Ask<typeof handOver.keepLabel>
}) {
  const { busy, problem, run } = useAct()
  const [lines, setLines] = useState<readonly string[]>([layout.title, ...layout.lines])
  const [size, setSize] = useState({ widthMm: String(layout.widthMm), heightMm: String(layout.heightMm) })
  const [kind, setKind] = useState(code)
  // the version that these lines were opened with
  const [version, setVersion] = useState(machine.version)
  const [handover, setHandover] = useState(tools[0]?.id ?? null)
  const [tried, setTried] = useState<Tried | null>(null)
  const [kept, setKept] = useState(false)
  const at = useRef(0)
  const edited =
    !kept &&
    (kind !== code ||
      lines.join('\n') !== [layout.title, ...layout.lines].join('\n') ||
      size.widthMm !== String(layout.widthMm) ||
      size.heightMm !== String(layout.heightMm))
  useUnsaved(edited ? say.thisLabel : null)
  const given: Given | null =
    handover === null
      ? null
      : {
          machine: machine.key,
          handover,
          code: kind,
          layout: {
            widthMm: mmOf(size.widthMm),
            heightMm: mmOf(size.heightMm),
            title: lines[0] ?? '',
            lines: lines.slice(1),
          },
        }
  const asked = JSON.stringify(given)
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
  }, [asked, tryLabel])
  const change = (i: number, text: string) => {
    setKept(false)
    setLines((all) => all.map((line, k) => (k === i ? text : line)))
  }
  const cut = tried?.ok ? tried.value.cut : []
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
          <div className="flex items-center justify-between gap-4">
            <Title lead={say.labels}>{say.forName(machine.name)}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/hand-over/labels" />
          </div>
          {tools.length === 0 ? (
            <p className="text-soft text-lg">{say.releaseAToolForFirst(machine.name)}</p>
          ) : tried?.ok ? (
            // eslint-disable-next-line @next/next/no-img-element -- drawn on the server, in true proportion
            <img
              src={`data:image/svg+xml;utf8,${encodeURIComponent(tried.value.svg)}`}
              alt={say.theLabelAsItWould}
              className="border-rule w-full max-w-[620px] border bg-white"
            />
          ) : (
            <p className="text-soft text-lg">{tried ? say.noLabelToShow : say.drawingIt}</p>
          )}
          {tools.length > 0 && (
            <label className="flex items-center gap-3 text-lg font-semibold">
              {say.triedOn}
              <select
                className={`${FIELD} mt-0! max-w-[420px]`}
                value={handover ?? ''}
                onChange={(e) => setHandover(Number(e.target.value))}
              >
                {tools.map((t) => (
                  <option key={t.id} value={t.id}>
                    {t.name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <h2 className="mt-1 text-xl font-bold">{say.fieldsToInsert}</h2>
          <ul className="flex flex-wrap gap-2">
            {Object.entries(fields).map(([key, about]) => (
              <li key={key}>
                <button
                  type="button"
                  title={about}
                  className="border-rule font-head h-11 border-[1.5px] px-3 text-lg font-semibold"
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
          <h2 className="text-2xl font-bold">{say.lines}</h2>
          {lines.map((text, i) => (
            <div key={i} className="flex items-start gap-2">
              <div className="flex-1">
                <Field name={i === 0 ? say.large : say.lineNumber(i)} error={cut.includes(i) ? say.cutOffAtItsEnd : undefined}>
                  <input
                    className={FIELD}
                    value={text}
                    onFocus={() => (at.current = i)}
                    onChange={(e) => change(i, e.target.value)}
                  />
                </Field>
              </div>
              {i > 0 && (
                <button
                  type="button"
                  className="text-soft mt-6 h-11 w-11 text-2xl"
                  aria-label={say.takeLineAway(i)}
                  onClick={() => setLines((all) => all.filter((_, k) => k !== i))}
                >
                  ×
                </button>
              )}
            </div>
          ))}
          {lines.length <= MOST_LINES && (
            <button
              type="button"
              className="text-act mt-1 h-11 self-start text-lg font-semibold"
              onClick={() => setLines((all) => [...all, ''])}
            >
              {say.anotherLine}
            </button>
          )}
          <div className="mt-1 grid grid-cols-3 gap-3">
            {(['widthMm', 'heightMm'] as const).map((key) => (
              <Field key={key} name={key === 'widthMm' ? say.wide : say.high} unit="mm">
                <input
                  className={`${FIELD} figures`}
                  inputMode="decimal"
                  value={size[key]}
                  onChange={(e) => setSize((s) => ({ ...s, [key]: e.target.value }))}
                />
              </Field>
            ))}
            <Field name={say.code}>
              <select className={FIELD} value={kind} onChange={(e) => setKind(e.target.value as typeof kind)}>
                <option value="datamatrix">{say.dataMatrix}</option>
                <option value="qr">{say.qr}</option>
              </select>
            </Field>
          </div>
          <div className="mt-auto pt-3">
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
              disabled={busy || !lead || !given || !tried?.ok || cut.length > 0}
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
        </>
      }
    />
  )
}
