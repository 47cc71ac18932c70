'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { FileUp } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { BigAction } from '../common/actions'
import { FileInput } from '../common/file-input'
import { Field, FIELD } from '../common/form'
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
  const router = useRouter()
  const picker = useRef<HTMLInputElement>(null)
  const [files, setFiles] = useState<readonly TextFile[]>([])
  const [over, setOver] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const { register, handleSubmit, formState, setValue, getValues } = useForm<
    z.input<typeof Form>,
    unknown,
    z.output<typeof Form>
  >({
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
      <button
        type="button"
        className={`flex h-24 shrink-0 flex-col items-center justify-center gap-1 rounded-[3px] border-2 border-dashed px-2 text-lg leading-tight font-semibold ${over ? 'border-act bg-ground' : 'border-stone'}`}
        onClick={() => picker.current?.click()}
        onDragOver={(event) => {
          event.preventDefault()
          setOver(true)
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault()
          setOver(false)
          void take([...event.dataTransfer.files])
        }}
      >
        <FileUp size={24} aria-hidden="true" />
        {files.length ? files.map((f) => f.name).join(', ') : say.ncProgramsOrATool}
      </button>
      <FileInput picker={picker} label={say.ncProgram} many take={(chosen) => void take(chosen)} />
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        <Field name={say.jobNumber} error={errors.id?.message}>
          <input {...register('id')} className={FIELD} aria-invalid={!!errors.id} />
        </Field>
        <Field name={say.machine} error={errors.machine?.message}>
          <select {...register('machine')} className={FIELD} aria-invalid={!!errors.machine}>
            <option value="">{say.choose}</option>
            {machines.map((m) => (
              <option key={m.key} value={m.key}>
                {m.name}
              </option>
            ))}
          </select>
        </Field>
        <Field name={say.whatItMakes} wide>
          <input {...register('name')} className={FIELD} />
        </Field>
        <Field name={say.howManyTitle} error={errors.quantity?.message}>
          <input {...register('quantity')} inputMode="numeric" className={FIELD} aria-invalid={!!errors.quantity} />
        </Field>
        <Field name={say.priority}>
          <select {...register('priority')} className={FIELD}>
            <option value="0">{say.asPlanned}</option>
            <option value="4">{say.beforeOthers}</option>
            <option value="8">{say.firstOfAll}</option>
          </select>
        </Field>
        <Field name={say.starts} wide error={errors.due?.message}>
          <input {...register('due')} type="datetime-local" className={FIELD} aria-invalid={!!errors.due} />
        </Field>
      </div>
      <div className="mt-auto">
        <Problem lead={say.nothingWasSaved} text={problem} />
        <BigAction onAct={() => (files.length ? void submit() : picker.current?.click())} disabled={formState.isSubmitting}>
          {formState.isSubmitting ? say.reading : files.length ? say.listItsTools : say.chooseAProgram}
        </BigAction>
      </div>
    </form>
  )
}
