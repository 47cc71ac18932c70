'use client'
import { EditorView } from '@codemirror/view'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useRef, useState } from 'react'
import type { Result } from '@/core/units'
import { SelectField } from '../common/form'
import { Sheet } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useUnsaved } from '../shell/shell-context'
import { TableForm } from './table-form'
import { say } from '@/words/screens/hand-over'
import { Keep, Chosen } from './post-keep'
import { Trial, PostEditorProps } from './post-props'

/** In the colours of the page, whichever theme it has. */
const PLAIN = EditorView.theme({
  '&': { backgroundColor: 'transparent', color: 'inherit' },
  '.cm-content': { caretColor: 'currentColor', fontFamily: 'ui-monospace, monospace' },
  '.cm-gutters': { backgroundColor: 'transparent', color: 'var(--soft)', border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--color-base-200)' },
  '.cm-cursor': { borderLeftColor: 'currentColor' },
})

const CodeMirror = dynamic(() => import('@uiw/react-codemirror'), { ssr: false })

/** Time without a key until the template is tried, ms. */
const QUIET_MS = 500

/** A machine's post: the template, what it makes of a real tool, and what the control says to it, side by side. */
// eslint-disable-next-line max-lines-per-function -- template, options and trial belong together; what it shows are components already
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
          <Chosen edited={edited} machine={machine} props={props} go={go} />
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
          <SelectField label={say.triedOn} value={serial} onChange={(e) => setSerial(e.target.value)}>
            {tools.length === 0 && <option value="">{say.noMeasuredToolForThis}</option>}
            {tools.map((t) => (
              <option key={t.serial} value={t.serial}>
                {t.name}
              </option>
            ))}
          </SelectField>
          <TableForm options={options} unit={machine.unit} lathe={machine.lathe} change={setOptions} />
          <Keep
            trial={trial}
            wrong={wrong}
            problem={problem}
            changed={changed}
            shipped={shipped}
            name={name}
            setName={setName}
            busy={busy}
            props={props}
            run={run}
            machine={machine}
            template={template}
            serial={serial}
            keepAs={keepAs}
            options={options}
            version={version}
            setVersion={setVersion}
            go={go}
          />
        </>
      }
    />
  )
}
