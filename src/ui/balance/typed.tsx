'use client'
import type { ReactNode } from 'react'
import type { FieldPath, UseFormRegisterReturn } from 'react-hook-form'
import type { BalanceWanted } from '@/core/balance'
import { setWanted, typeBalance } from '@/stations/balance/contract'
import type { Ask } from '@/stations/contract'
import { say } from '@/words/screens/balance'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { AS_NUMBER, NumberField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'

type GradeField = FieldPath<BalanceWanted>

/** Grade and speed, and what belongs to them; saved by the big action. */
function GradeForm({
  form,
  shut,
  children,
}: {
  readonly form: {
    readonly busy: boolean
    readonly problem: string | null
    readonly send: () => void
    readonly wrong: (field: GradeField) => string | undefined
    readonly register: (field: GradeField, options: typeof AS_NUMBER) => UseFormRegisterReturn
  }
  /** null where there is nothing to go back to. */
  readonly shut: (() => void) | null
  readonly children?: ReactNode
}) {
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-3">
        <NumberField label={say.grade} unit="G" error={form.wrong('grade')} {...form.register('grade', AS_NUMBER)} />
        <NumberField label={say.speed} unit="rev/min" error={form.wrong('rpm')} {...form.register('rpm', AS_NUMBER)} />
        {children}
      </div>
      <Problem lead={say.notSaved} text={form.problem} />
      <BigAction disabled={form.busy} onAct={form.send}>
        {say.save}
      </BigAction>
      {shut && (
        <SmallActions>
          <SmallAction onAct={shut}>{say.cancel}</SmallAction>
        </SmallActions>
      )}
    </div>
  )
}

/** What stands in the form at first: nothing that nobody has said. */
const startOf = (wanted: BalanceWanted | null) => ({ grade: wanted?.grade, rpm: wanted?.rpm })

/** To what grade and at what speed. */
export function WantedForm({
  serial,
  version,
  wanted,
  save,
  shut,
}: {
  readonly serial: string
  readonly version: number
  readonly wanted: BalanceWanted | null
  readonly save: Ask<typeof setWanted>
  readonly shut: (() => void) | null
}) {
  const form = useContractForm(setWanted, save, { serial, version, ...startOf(wanted) }, { then: () => shut?.() })
  return <GradeForm form={form} shut={shut} />
}

/** What somebody else found. */
export function TypedResult({
  serial,
  wanted,
  save,
  shut,
}: {
  readonly serial: string
  readonly wanted: BalanceWanted | null
  readonly save: Ask<typeof typeBalance>
  readonly shut: () => void
}) {
  const form = useContractForm(typeBalance, save, { serial, ...startOf(wanted), by: '' }, { then: shut })
  return (
    <GradeForm form={form} shut={shut}>
      <TextField label={say.byWhom} wide error={form.wrong('by')} {...form.register('by')} />
    </GradeForm>
  )
}
