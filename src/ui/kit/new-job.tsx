'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { FileUp } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import type { Result } from '@/core/units'
import { BigAction } from '../common/actions'
import { Say } from '../common/sheet'

const MOST_BYTES = 8 * 2 ** 20

const Form = z.object({
  id: z.string().trim().min(2, 'Give the job a number of at least two characters.').max(40, 'At most 40 characters.'),
  name: z.string().trim().max(80, 'At most 80 characters.'),
  machine: z.string().min(1, 'Choose the machine.'),
  due: z.string().min(1, 'Say when the job starts.'),
})

export interface NewJobProps {
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** Local time, as the field wants it. */
  readonly suggestedDue: string
  readonly addJob: (job: {
    id: string
    name: string
    machine: string
    dueAt: string
    programName: string
    programText: string
  }) => Promise<Result<{ id: string }, { text: string }>>
}

/** Drop an NC program, say what it is for, and see which tools it wants. */
export function NewJob({ machines, suggestedDue, addJob }: NewJobProps) {
  const router = useRouter()
  const picker = useRef<HTMLInputElement>(null)
  const [program, setProgram] = useState<{ name: string; text: string } | null>(null)
  const [over, setOver] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const { register, handleSubmit, formState, setValue, getValues } = useForm<
    z.input<typeof Form>,
    unknown,
    z.output<typeof Form>
  >({
    resolver: zodResolver(Form),
    defaultValues: { id: '', name: '', machine: machines.length === 1 ? machines[0].key : '', due: suggestedDue },
  })

  const take = async (file: File | undefined) => {
    if (!file) return
    setProblem(null)
    if (file.size > MOST_BYTES) return setProblem(`${file.name} is larger than 8 MB: no NC program is read from it.`)
    setProgram({ name: file.name, text: await file.text() })
    if (!getValues('id')) setValue('id', file.name.replace(/\.[^.]*$/, '').slice(0, 40))
  }
  const submit = handleSubmit(async ({ id, name, machine, due }) => {
    if (!program) return setProblem('Drop the NC program first.')
    const done = await addJob({
      id,
      name: name || program.name,
      machine,
      dueAt: new Date(due).toISOString(),
      programName: program.name,
      programText: program.text,
    })
    if (done.ok) router.push(`/kit/${encodeURIComponent(done.value.id)}`)
    else setProblem(done.error.text)
  })
  const field = 'border-ink bg-paper mt-1 h-11 w-full rounded-[3px] border-[1.5px] px-3 text-lg'
  const { errors } = formState
  return (
    <form onSubmit={submit} className="flex flex-1 flex-col gap-3" noValidate>
      <h2 className="text-2xl font-bold">A job from an NC program</h2>
      <button
        type="button"
        className={`flex h-28 flex-col items-center justify-center gap-1 rounded-[3px] border-2 border-dashed text-lg font-semibold ${over ? 'border-act bg-ground' : 'border-stone'}`}
        onClick={() => picker.current?.click()}
        onDragOver={(event) => {
          event.preventDefault()
          setOver(true)
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault()
          setOver(false)
          void take(event.dataTransfer.files[0])
        }}
      >
        <FileUp size={26} aria-hidden="true" />
        {program ? program.name : 'Drop the NC program here, or press to choose it'}
      </button>
      <input
        ref={picker}
        type="file"
        className="sr-only"
        aria-label="NC program"
        tabIndex={-1}
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <div className="grid grid-cols-2 gap-3">
        <label className="text-lg font-semibold">
          Job number
          <input {...register('id')} className={field} aria-invalid={!!errors.id} />
          {errors.id && <span className="text-off text-base">{errors.id.message}</span>}
        </label>
        <label className="text-lg font-semibold">
          Machine
          <select {...register('machine')} className={field} aria-invalid={!!errors.machine}>
            <option value="">choose …</option>
            {machines.map((m) => (
              <option key={m.key} value={m.key}>
                {m.name}
              </option>
            ))}
          </select>
          {errors.machine && <span className="text-off text-base">{errors.machine.message}</span>}
        </label>
        <label className="col-span-2 text-lg font-semibold">
          What it makes
          <input {...register('name')} className={field} />
        </label>
        <label className="col-span-2 text-lg font-semibold">
          Starts
          <input {...register('due')} type="datetime-local" className={field} aria-invalid={!!errors.due} />
          {errors.due && <span className="text-off text-base">{errors.due.message}</span>}
        </label>
      </div>
      <div className="mt-auto">
        {problem && (
          <Say tone="off" lead="Nothing was stored." role="alert">
            {problem}
          </Say>
        )}
        <BigAction onAct={() => (program ? void submit() : picker.current?.click())} disabled={formState.isSubmitting}>
          {formState.isSubmitting ? 'Reading the program …' : program ? 'List its tools' : 'Choose a program'}
        </BigAction>
      </div>
    </form>
  )
}
