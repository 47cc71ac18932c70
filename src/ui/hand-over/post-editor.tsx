'use client'
import { EditorView } from '@codemirror/view'
import dynamic from 'next/dynamic'
import { useGo } from '../common/going'
import { useMemo } from 'react'
import { SelectField } from '../common/form'
import { Sheet } from '../common/sheet'
import { HANDOVER_TABS, SubNav } from '../common/sub-nav'
import { TableForm } from './table-form'
import { say } from '@/words/screens/hand-over'
import { Keep, Chosen } from './post-keep'
import { usePostDraft } from './post-draft'
import type { PostEditorProps } from './post-props'

/** In the colours of the page, whichever theme it has. */
const PLAIN = EditorView.theme({
  '&': { backgroundColor: 'transparent', color: 'inherit' },
  '.cm-content': { caretColor: 'currentColor', fontFamily: 'ui-monospace, monospace' },
  '.cm-gutters': { backgroundColor: 'transparent', color: 'var(--soft)', border: 'none' },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--color-base-200)' },
  '.cm-cursor': { borderLeftColor: 'currentColor' },
})

const CodeMirror = dynamic(() => import('@uiw/react-codemirror'), { ssr: false })

/** A machine's post: the template, what it makes of a real tool, and what the control says to it, side by side. */
export function PostEditor(props: PostEditorProps) {
  const { machine, tools } = props
  const router = useGo()
  const draft = usePostDraft(props)
  const extensions = useMemo(
    () => [PLAIN, EditorView.lineWrapping, EditorView.contentAttributes.of({ 'aria-label': 'Template' })],
    [],
  )
  const go = (query: Record<string, string>) => router.push(`/hand-over/posts?${new URLSearchParams(query).toString()}`)

  return (
    <Sheet
      left={
        <>
          <SubNav tabs={HANDOVER_TABS} label={say.sheetsOfHandOver} />
          <Chosen {...props} edited={draft.edited} go={go} />
          <div className="border-ink min-h-[220px] flex-1 overflow-auto border-[1.5px] text-[15px]" tabIndex={0}>
            <CodeMirror
              value={draft.template}
              onChange={draft.setTemplate}
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
            {draft.trial?.ok ? draft.trial.value.text : ''}
          </pre>
        </>
      }
      right={
        <>
          <SelectField label={say.triedOn} value={draft.serial} onChange={(e) => draft.setSerial(e.target.value)}>
            {tools.length === 0 && <option value="">{say.noMeasuredToolForThis}</option>}
            {tools.map((t) => (
              <option key={t.serial} value={t.serial}>
                {t.name}
              </option>
            ))}
          </SelectField>
          <TableForm options={draft.options} unit={machine.unit} lathe={machine.lathe} change={draft.setOptions} />
          <Keep {...props} draft={draft} go={go} />
        </>
      }
    />
  )
}
