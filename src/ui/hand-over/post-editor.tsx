'use client'
import { EditorView } from '@codemirror/view'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { PostCheck } from '@/core/handover'
import type { PostOptions } from '@/core/tool'
import type { LengthUnit, Result } from '@/core/units'
import { BigAction } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnsaved } from '../shell/shell-context'
import { TableForm } from './table-form'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

/** In the colours of the page, whichever theme it has. */
const PLAIN = EditorView.theme({
  '&': { backgroundColor: 'transparent', color: 'inherit' },
  '.cm-content': { caretColor: 'currentColor', fontFamily: 'ui-monospace, monospace' },
  '.cm-gutters': { backgroundColor: 'transparent', color: 'var(--soft)', border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--color-base-200)' },
  '.cm-cursor': { borderLeftColor: 'currentColor' },
})

const CodeMirror = dynamic(() => import('@uiw/react-codemirror'), { ssr: false })

interface Trial {
  readonly text: string
  readonly check: PostCheck
  /** Why it may not be sent; null when the control gets what was measured and nothing else. */
  readonly wrong: string | null
}

export interface PostEditorProps {
  readonly machine: {
    readonly key: string
    readonly name: string
    readonly post: string
    readonly unit: LengthUnit
    readonly lathe: boolean
    readonly version: number
  }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly posts: readonly string[]
  readonly post: string
  /** Came with Boulder: it is kept under another name when it is changed. */
  readonly shipped: boolean
  readonly template: string
  readonly options: PostOptions
  readonly tools: readonly { readonly serial: string; readonly name: string }[]
  readonly lead: boolean
  readonly tryTemplate: Ask<typeof handOver.tryTemplate>
  readonly keep: Ask<typeof handOver.keepPost>
}

/** Time without a key until the template is tried, ms. */
const QUIET_MS = 500

/** A machine's post: the template, what it makes of a real tool, and what the control says to it, side by side. */
export function PostEditor(props: PostEditorProps) {
  const { machine, shipped, tools, tryTemplate } = props
  const router = useRouter()
  const { busy, problem, run } = useAct()
  const [template, setTemplate] = useState(props.template)
  const [serial, setSerial] = useState(tools[0]?.serial ?? '')
  const [options, setOptions] = useState(props.options)
  // the version that this template was opened with
  const [version, setVersion] = useState(machine.version)
  const [name, setName] = useState(shipped ? `${machine.key.toLowerCase()}-own` : props.post)
  const [trial, setTrial] = useState<Result<Trial, { text: string }> | null>(null)
  const changed = template !== props.template
  const edited = changed || JSON.stringify(options) !== JSON.stringify(props.options)
  const keepAs = shipped && !changed ? props.post : name
  useUnsaved(edited ? say.thisPost : null)

  const latest = useRef(tryTemplate)
  useEffect(() => {
    latest.current = tryTemplate
  })
  useEffect(() => {
    let open = true
    const timer = setTimeout(() => {
      void latest
        .current({ machine: machine.key, template, serials: serial ? [serial] : [], options })
        .then((done) => open && setTrial(done))
    }, QUIET_MS)
    return () => {
      open = false
      clearTimeout(timer)
    }
  }, [template, serial, options, machine.key])

  const extensions = useMemo(
    () => [PLAIN, EditorView.lineWrapping, EditorView.contentAttributes.of({ 'aria-label': 'Template' })],
    [],
  )
  const wrong = trial?.ok ? trial.value.wrong : null
  const go = (query: Record<string, string>) => router.push(`/hand-over/posts?${new URLSearchParams(query).toString()}`)

  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
          <div className="grid grid-cols-3 items-end gap-3">
            <Title lead={say.post}>
              {edited ? say.changedNotSaved : machine.post === props.post ? say.active : say.notActive}
            </Title>
            <Field name={say.machine}>
              <select className={FIELD} value={machine.key} onChange={(e) => go({ machine: e.target.value })}>
                {props.machines.map((m) => (
                  <option key={m.key} value={m.key}>
                    {m.name}
                  </option>
                ))}
              </select>
            </Field>
            <Field name={say.template}>
              <select className={FIELD} value={props.post} onChange={(e) => go({ machine: machine.key, post: e.target.value })}>
                {props.posts.map((p) => (
                  <option key={p} value={p}>
                    {p}
                    {p === machine.post ? say.activeMark : ''}
                  </option>
                ))}
              </select>
            </Field>
          </div>
          <div className="border-ink min-h-[220px] flex-1 overflow-auto border-[1.5px] text-[15px]" tabIndex={0}>
            <CodeMirror
              value={template}
              onChange={setTemplate}
              // Tab leaves the editor, for whoever works by keys
              indentWithTab={false}
              extensions={extensions}
              theme="none"
              basicSetup={{ foldGutter: false, syntaxHighlighting: false }}
            />
          </div>
          <pre
            className="bg-ground max-h-[200px] min-h-[96px] overflow-auto p-3 text-[15px]"
            data-testid="post-text"
            tabIndex={0}
          >
            {trial?.ok ? trial.value.text : ''}
          </pre>
        </>
      }
      right={
        <>
          <Field name={say.triedOn}>
            <select className={FIELD} value={serial} onChange={(e) => setSerial(e.target.value)}>
              {tools.length === 0 && <option value="">{say.noMeasuredToolForThis}</option>}
              {tools.map((t) => (
                <option key={t.serial} value={t.serial}>
                  {t.name}
                </option>
              ))}
            </select>
          </Field>
          <TableForm options={options} unit={machine.unit} lathe={machine.lathe} change={setOptions} />
          <div className="mt-auto pt-3">
            {trial && !trial.ok && (
              <Say tone="off" lead={say.itIsWrong} role="alert">
                {trial.error.text}
              </Say>
            )}
            {wrong && (
              <Say tone="off" lead={say.wrongPost} role="alert">
                {wrong}
              </Say>
            )}
            {trial?.ok && !wrong && trial.value.check.rows.length > 0 && (
              <Say tone="holds" lead={say.theControlGetsTheMeasuredValues} role="status">
                {say.registersAreRightNoOther(trial.value.check.rows.length)}
              </Say>
            )}
            <Problem lead={say.notKept} text={problem} />
            {(changed || !shipped) && (
              <Field name={say.keptAs}>
                <input className={FIELD} value={name} maxLength={40} onChange={(e) => setName(e.target.value)} />
              </Field>
            )}
            <div className="mt-2.5">
              <BigAction
                disabled={busy || !props.lead || !trial?.ok || wrong !== null}
                onAct={() =>
                  void run(
                    () =>
                      props.keep({
                        machine: machine.key,
                        template,
                        serials: serial ? [serial] : [],
                        name: keepAs,
                        options,
                        version,
                      }),
                    () => {
                      setVersion((v) => v + 1)
                      go({ machine: machine.key })
                    },
                  )
                }
              >
                {props.lead ? say.keepFor(machine.name) : say.onlyALeadCanSaveThis}
              </BigAction>
            </div>
          </div>
        </>
      }
    />
  )
}
