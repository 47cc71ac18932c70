'use client'
import type { Trial } from './post-props'
import { type SetStateAction, type Dispatch } from 'react'
import type { PostOptions } from '@/core/tool'
import type { Result } from '@/core/units'
import { BigAction } from '../common/actions'
import { SelectField, TextField } from '../common/form'
import { Problem, Say, Title } from '../common/sheet'
import { type Run } from '../common/use-act'
import { say } from '@/words/screens/hand-over'
import type { PostEditorProps } from './post-props'

/** What the trial found, and the press that keeps it for the machine. */
export function Keep({
  trial,
  wrong,
  problem,
  changed,
  shipped,
  name,
  setName,
  busy,
  props,
  run,
  machine,
  template,
  serial,
  keepAs,
  options,
  version,
  setVersion,
  go,
}: {
  readonly trial: Result<Trial, { text: string }> | null
  readonly wrong: string | null
  readonly problem: string | null
  readonly changed: boolean
  readonly shipped: PostEditorProps['shipped']
  readonly name: string
  readonly setName: Dispatch<SetStateAction<string>>
  readonly busy: boolean
  readonly props: PostEditorProps
  readonly run: Run
  readonly machine: PostEditorProps['machine']
  readonly template: string
  readonly serial: string
  readonly keepAs: string
  readonly options: PostOptions
  readonly version: number
  readonly setVersion: Dispatch<SetStateAction<number>>
  readonly go: (query: Record<string, string>) => void
}) {
  return (
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
        <TextField label={say.keptAs} value={name} maxLength={40} onChange={(e) => setName(e.target.value)} />
      )}
      <KeepButton
        busy={busy}
        props={props}
        trial={trial}
        wrong={wrong}
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
    </div>
  )
}

function KeepButton({
  busy,
  props,
  trial,
  wrong,
  run,
  machine,
  template,
  serial,
  keepAs,
  options,
  version,
  setVersion,
  go,
}: {
  readonly busy: boolean
  readonly props: PostEditorProps
  readonly trial: Result<Trial, { text: string }> | null
  readonly wrong: string | null
  readonly run: Run
  readonly machine: PostEditorProps['machine']
  readonly template: string
  readonly serial: string
  readonly keepAs: string
  readonly options: PostOptions
  readonly version: number
  readonly setVersion: Dispatch<SetStateAction<number>>
  readonly go: (query: Record<string, string>) => void
}) {
  return (
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
  )
}

/** Which machine, which template. */
export function Chosen({
  edited,
  machine,
  props,
  go,
}: {
  readonly edited: boolean
  readonly machine: PostEditorProps['machine']
  readonly props: PostEditorProps
  readonly go: (query: Record<string, string>) => void
}) {
  return (
    <div className="grid grid-cols-3 items-end gap-3">
      <Title lead={say.post}>{edited ? say.changedNotSaved : machine.post === props.post ? say.active : say.notActive}</Title>
      <SelectField label={say.machine} value={machine.key} onChange={(e) => go({ machine: e.target.value })}>
        {props.machines.map((m) => (
          <option key={m.key} value={m.key}>
            {m.name}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.template} value={props.post} onChange={(e) => go({ machine: machine.key, post: e.target.value })}>
        {props.posts.map((p) => (
          <option key={p} value={p}>
            {p}
            {p === machine.post ? say.activeMark : ''}
          </option>
        ))}
      </SelectField>
    </div>
  )
}
