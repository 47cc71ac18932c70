'use client'
import { MARK_RULE } from '@/words/faults'
import { zodResolver } from '@hookform/resolvers/zod'
import { useGo } from '../common/going'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import { readScan } from '@/codecs/label-text'
import { readMark } from '@/core/tool'
import { CouplingField, useFirstCoupling } from '../common/coupling-field'
import { NumberField, SelectField, TextField } from '../common/form'
import { BigAction } from '../common/actions'
import { Problem } from '../common/sheet'
import { useScans, useShell, type ScanSaid } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

const Form = z.object({
  serial: z
    .string()
    .trim()
    .toUpperCase()
    .refine((text) => readMark(text) !== null, say.asOnTheHolder(MARK_RULE)),
  coupling: z.string(),
  name: z.string().trim().max(80, say.atMostCharacters),
  t: z.union([
    z.literal('').transform(() => null),
    z.coerce.number<string>().int(say.aWholeNumber).min(1, say.from).max(99999, say.to),
  ]),
  machine: z.string(),
})

export interface StrayProps {
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** Serials that open a tool that is known already. */
  readonly known: readonly string[]
  readonly takeIn: Ask<typeof measure.takeInTool>
}

/** A tool without a job or a definition: scan its holder, measure, print a label. */
export function UnplannedForm({ machines, known, takeIn }: StrayProps) {
  const router = useGo()
  const [problem, setProblem] = useState<string | null>(null)
  const { register, handleSubmit, formState, setValue } = useForm<z.input<typeof Form>, unknown, z.output<typeof Form>>({
    resolver: zodResolver(Form),
    defaultValues: { serial: '', coupling: useFirstCoupling(), name: '', t: '', machine: '' },
  })
  const { actions } = useShell()
  useScans(async (raw): Promise<ScanSaid | null> => {
    const scan = readScan(raw)
    const mark = scan.type === 'plain' ? readMark(scan.text) : null
    if (mark === null || known.includes(mark)) return null
    const said = await actions.answerScan(raw)
    if (said.kind && said.kind !== 'holder') return said
    setValue('serial', mark, { shouldValidate: true })
    return { title: mark, text: say.notKnownYetChooseIts, tone: 'todo' }
  })
  const submit = handleSubmit(async (given) => {
    const done = await takeIn({ ...given, machine: given.machine || null })
    if (done.ok) router.push(`/measure/${done.value.serial}`)
    else setProblem(done.error.text)
  })
  const { errors } = formState
  return (
    <form onSubmit={submit} className="flex flex-1 flex-col gap-3" noValidate>
      <h2 className="text-2xl font-bold">{say.measureWithoutAJob}</h2>
      <TextField
        label={say.markOnTheHolder}
        error={errors.serial?.message}
        {...register('serial')}
        placeholder={say.scanIt}
        className="uppercase"
      />
      <CouplingField label={say.taper} {...register('coupling')} />
      <TextField label={say.name} error={errors.name?.message} {...register('name')} placeholder={say.endMillDrill} />
      <div className="grid grid-cols-2 gap-3">
        <NumberField label={say.tNumber} error={errors.t?.message} decimals={false} {...register('t')} />
        <SelectField label={say.machine} {...register('machine')}>
          <option value="">{say.later}</option>
          {machines.map((m) => (
            <option key={m.key} value={m.key}>
              {m.name}
            </option>
          ))}
        </SelectField>
      </div>
      <div className="mt-auto">
        <Problem lead={say.notSaved} text={problem} />
        <BigAction onAct={() => void submit()}>{say.saveAndMeasure}</BigAction>
      </div>
    </form>
  )
}
