'use client'
import { BigAction } from '../common/actions'
import { SelectField, TextField } from '../common/form'
import { Problem, Say, Title } from '../common/sheet'
import { useAct } from '../common/use-act'
import { say } from '@/words/screens/hand-over'
import type { PostDraft } from './post-draft'
import type { PostEditorProps } from './post-props'

type Go = (query: Record<string, string>) => void

/** What the trial found, and the press that saves it for the machine. */
export function Keep({
  machine,
  shipped,
  post,
  lead,
  keep,
  draft,
  go,
}: PostEditorProps & { readonly draft: PostDraft; readonly go: Go }) {
  const { busy, problem, run } = useAct()
  const { trial, changed, name, template, serial, options, version } = draft
  const wrong = trial?.ok ? trial.value.wrong : null
  // an unchanged one of Boulder's own stays under its name
  const saveAs = shipped && !changed ? post : name
  return (
    <div className="mt-auto flex flex-col gap-2.5 pt-3">
      {trial && !trial.ok && (
        <Say
          tone={trial.error.code === 'NOBODY' ? 'todo' : 'off'}
          lead={trial.error.code === 'NOBODY' ? say.notTried : say.itIsWrong}
          role="alert"
        >
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
        <TextField label={say.keptAs} value={name} maxLength={40} onChange={(e) => draft.setName(e.target.value)} />
      )}
      <div className="mt-2.5">
        <BigAction
          disabled={busy || !lead || !trial?.ok || wrong !== null}
          onAct={() =>
            void run(
              () =>
                keep({
                  machine: machine.key,
                  template,
                  serials: serial ? [serial] : [],
                  name: saveAs,
                  options,
                  version,
                }),
              () => {
                draft.saved()
                go({ machine: machine.key })
              },
            )
          }
        >
          {lead ? say.keepFor(machine.name) : say.onlyALeadCanSaveThis}
        </BigAction>
      </div>
    </div>
  )
}

/** Which machine, which template. */
export function Chosen({
  machine,
  machines,
  post,
  posts,
  edited,
  go,
}: PostEditorProps & { readonly edited: boolean; readonly go: Go }) {
  return (
    <div className="grid grid-cols-3 items-end gap-3">
      <Title lead={say.post}>{edited ? say.changedNotSaved : machine.post === post ? say.active : say.notActive}</Title>
      <SelectField label={say.machine} value={machine.key} onChange={(e) => go({ machine: e.target.value })}>
        {machines.map((m) => (
          <option key={m.key} value={m.key}>
            {m.name}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.template} value={post} onChange={(e) => go({ machine: machine.key, post: e.target.value })}>
        {posts.map((p) => (
          <option key={p} value={p}>
            {p}
            {p === machine.post ? say.activeMark : ''}
          </option>
        ))}
      </SelectField>
    </div>
  )
}
