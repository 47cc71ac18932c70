'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { useGo } from '../common/going'
import { useRef, useState } from 'react'
import { Controller, useForm, type UseFormRegister, type FieldErrors, type Control } from 'react-hook-form'
import { z } from 'zod'
import { BigAction } from '../common/actions'
import { DropFiles } from '../common/drop-files'
import { TimeField } from '../common/date-field'
import { NumberField, SelectField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

const MOST_BYTES = 8 * 2 ** 20

const Form = z.object({
  id: z.string().trim().min(2, say.giveTheJobANumber).max(40, say.atMostCharacters),
  name: z.string().trim().max(80, say.atMostCharactersSentence),
  machine: z.string().min(1, say.chooseTheMachine),
  due: z.string().min(1, say.sayWhenTheJobStarts),
  quantity: z.coerce.number<string>({ error: say.howMany }).int(say.wholeParts).min(1, say.atLeastOne).max(1_000_000),
  priority: z.enum(['0', '4', '8']),
})

type Typed = z.input<typeof Form>

interface TextFile {
  readonly name: string
  readonly text: string
}

export interface NewJobProps {
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** Local time, as the field wants it. */
  readonly suggestedDue: string
  readonly addJob: Ask<typeof kit.addJob>
}

const isList = (name: string) => /\.csv$/i.test(name)

/** Drop NC programs or a tool list, say what they are for, and see which tools they want. */
export function NewJob({ machines, suggestedDue, addJob }: NewJobProps) {
  const router = useGo()
  const picker = useRef<HTMLInputElement>(null)
  const [files, setFiles] = useState<readonly TextFile[]>([])
  const [problem, setProblem] = useState<string | null>(null)
  const { register, control, handleSubmit, formState, setValue, getValues } = useForm<Typed, unknown, z.output<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: {
      id: '',
      name: '',
      machine: machines.length === 1 ? machines[0].key : '',
      due: suggestedDue,
      quantity: '1',
      priority: '0',
    },
  })

  const take = async (chosen: readonly File[]) => {
    if (!chosen.length) return
    setProblem(null)
    const large = chosen.find((f) => f.size > MOST_BYTES)
    if (large) return setProblem(say.isLargerThanMbPrograms(large.name))
    const read = await Promise.all(chosen.map(async (f) => ({ name: f.name, text: await f.text() })))
    setFiles((before) => [...before.filter((f) => !read.some((r) => r.name === f.name)), ...read])
    if (!getValues('id')) setValue('id', read[0].name.replace(/\.[^.]*$/, '').slice(0, 40))
  }
  const submit = handleSubmit(async ({ id, name, machine, due, quantity, priority }) => {
    if (!files.length) return setProblem(say.addAnNcProgramOr)
    const done = await addJob({
      id,
      name: name || files[0].name,
      machine,
      dueAt: new Date(due).toISOString(),
      quantity,
      priority: Number(priority),
      programs: files.filter((f) => !isList(f.name)),
      lists: files.filter((f) => isList(f.name)),
    })
    if (done.ok) router.push(`/kit/${encodeURIComponent(done.value.id)}`)
    else setProblem(done.error.text)
  })
  const { errors } = formState
  return (
    <form onSubmit={submit} className="flex flex-1 flex-col gap-2.5" noValidate>
      <h2 className="text-2xl font-bold">{say.aNewJob}</h2>
      <DropFiles picker={picker} label={say.ncProgram} many take={(chosen) => void take(chosen)}>
        {files.length ? files.map((f) => f.name).join(', ') : say.ncProgramsOrATool}
      </DropFiles>
      <Fields errors={errors} register={register} machines={machines} control={control} />
      <div className="mt-auto">
        <Problem lead={say.nothingWasSaved} text={problem} />
        <BigAction onAct={() => (files.length ? void submit() : picker.current?.click())} disabled={formState.isSubmitting}>
          {formState.isSubmitting ? say.reading : files.length ? say.listItsTools : say.chooseAProgram}
        </BigAction>
      </div>
    </form>
  )
}

/** What the job is called, where it runs and when. */
function Fields({
  errors,
  register,
  machines,
  control,
}: {
  readonly errors: FieldErrors<Typed>
  readonly register: UseFormRegister<Typed>
  readonly machines: NewJobProps['machines']
  readonly control: Control<Typed, unknown, z.output<typeof Form>>
}) {
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2">
      <TextField label={say.jobNumber} error={errors.id?.message} {...register('id')} />
      <SelectField label={say.machine} error={errors.machine?.message} {...register('machine')}>
        <option value="">{say.choose}</option>
        {machines.map((m) => (
          <option key={m.key} value={m.key}>
            {m.name}
          </option>
        ))}
      </SelectField>
      <TextField label={say.whatItMakes} wide {...register('name')} />
      <NumberField label={say.howManyTitle} error={errors.quantity?.message} decimals={false} {...register('quantity')} />
      <SelectField label={say.priority} {...register('priority')}>
        <option value="0">{say.asPlanned}</option>
        <option value="4">{say.beforeOthers}</option>
        <option value="8">{say.firstOfAll}</option>
      </SelectField>
      <Controller
        control={control}
        name="due"
        render={({ field }) => (
          <TimeField label={say.starts} wide value={field.value} take={field.onChange} error={errors.due?.message} />
        )}
      />
    </div>
  )
}
