'use client'
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useFieldArray, useForm, type UseFormRegister, type UseFieldArraySwap, type UseFieldArrayRemove } from 'react-hook-form'
import { CONFIRMS, type Clamping, type Step } from '@/core/fits'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { AreaField, SelectField, TextField } from '../common/form'
import { Foot, Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { LeadsOnly, useLead } from '../shell/lead-only'
import { useUnsaved } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'
import { say } from '@/words/screens/library'

interface Line {
  key: string
  title: string
  text: string
  confirm: Step['confirm']
  needs: string
  caution: string
}

type Save = Ask<typeof build.putSteps>

/** A short name from a title, for the record of what was ticked. */
const nameOf = (title: string, i: number) =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 20) || `step-${i + 1}`

const stepOf = (l: Line, i: number) => ({
  id: l.key || nameOf(l.title, i),
  title: l.title,
  text: l.text,
  confirm: l.confirm,
  needs: l.needs
    .split(',')
    .map((n) => n.trim())
    .filter(Boolean),
  caution: l.caution || undefined,
})

/** A shop's own steps: what to do, how it is confirmed, what has to be at hand. */
export function StepsForm({
  clamping,
  steps,
  version,
  save,
}: {
  readonly clamping: Clamping
  readonly steps: readonly Step[]
  /** Of these steps. */
  readonly version: number
  readonly save: Save
}) {
  const { busy, problem, run } = useAct()
  const lead = useLead()
  // the version of what stands in the fields, whatever the sheet shows by now
  const [opened, setOpened] = useState(version)
  const { register, control, handleSubmit, reset, formState } = useForm<{ lines: Line[] }>({
    defaultValues: {
      lines: steps.map((s) => ({
        key: s.id,
        title: s.title,
        text: s.text,
        confirm: s.confirm,
        needs: s.needs?.join(', ') ?? '',
        caution: s.caution ?? '',
      })),
    },
  })
  const { fields, append, remove, swap } = useFieldArray({ control, name: 'lines' })
  const submit = handleSubmit(({ lines }) =>
    run(
      () => save({ clamping, version: opened, steps: lines.map(stepOf) }),
      ({ version: saved }) => {
        setOpened(saved)
        reset({ lines })
      },
    ),
  )
  const { isDirty } = formState
  useUnsaved(isDirty ? say.whatYouChangedInThese : null)
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-3">
      <LeadsOnly what="steps" />
      {fields.map((field, i) => (
        <StepFields key={field.id} i={i} register={register} swap={swap} fields={fields} remove={remove} />
      ))}
      <div className="max-w-md">
        <SmallActions>
          <SmallAction onAct={() => append({ key: '', title: '', text: '', confirm: 'tick', needs: '', caution: '' })}>
            {say.anotherStep}
          </SmallAction>
          <SmallAction
            onAct={() =>
              void run(
                () => save({ clamping, steps: null, version: opened }),
                () => window.location.reload(),
              )
            }
          >
            {say.restoreStandardSteps}
          </SmallAction>
        </SmallActions>
      </div>
      <Foot>
        <Problem lead={say.notKept} text={problem} />
        <BigAction disabled={busy || !lead} onAct={() => void submit()}>
          {say.saveSteps}
        </BigAction>
      </Foot>
    </form>
  )
}

/** One step, with its place among the others. */
function StepFields({
  i,
  register,
  swap,
  fields,
  remove,
}: {
  readonly i: number
  readonly register: UseFormRegister<{ lines: Line[] }>
  readonly swap: UseFieldArraySwap
  readonly fields: (Line & Record<'id', string> & { disabled?: boolean })[]
  readonly remove: UseFieldArrayRemove
}) {
  return (
    <fieldset className="border-rule border-b pb-3">
      <legend className="sr-only">{say.stepNumber(i + 1)}</legend>
      <div className="grid grid-cols-[1fr_140px_auto] items-end gap-2.5">
        <TextField label={say.titleLine(i + 1)} {...register(`lines.${i}.title`)} />
        <SelectField label={say.confirmedBy} {...register(`lines.${i}.confirm`)}>
          {CONFIRMS.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </SelectField>
        <span className="flex">
          {(
            [
              ['Earlier', ArrowUp, i > 0, () => swap(i, i - 1)],
              ['Later', ArrowDown, i < fields.length - 1, () => swap(i, i + 1)],
              [say.takeItOut, Trash2, true, () => remove(i)],
            ] as const
          ).map(([name, Icon, can, go]) => (
            <button
              key={name}
              type="button"
              disabled={!can}
              aria-label={say.stepNameI(name, i + 1)}
              className="btn btn-ghost btn-square"
              onClick={go}
            >
              <Icon size={20} />
            </button>
          ))}
        </span>
      </div>
      <div className="mt-2">
        <AreaField label={say.whatToDo} {...register(`lines.${i}.text`)} className="h-20 py-2 font-sans text-base leading-snug" />
      </div>
      <div className="mt-2 grid grid-cols-2 gap-2.5">
        <TextField label={say.neededAtHandSeparatedBy} {...register(`lines.${i}.needs`)} />
        <TextField label={say.caution} {...register(`lines.${i}.caution`)} />
      </div>
    </fieldset>
  )
}
