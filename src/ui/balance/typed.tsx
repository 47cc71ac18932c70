'use client'
import type { BalanceWanted } from '@/core/balance'
import { setWanted, typeBalance } from '@/stations/balance/contract'
import type { Ask } from '@/stations/contract'
import { say } from '@/words/screens/balance'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'

/** To what grade and at what speed, where nobody has said so. */
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
  /** null where there is nothing to go back to. */
  readonly shut: (() => void) | null
}) {
  const start = { serial, version, grade: wanted?.grade ?? 2.5, rpm: wanted?.rpm ?? 0 }
  const form = useContractForm(setWanted, save, start, { then: () => shut?.() })
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={say.grade}
          unit="G"
          error={form.wrong('grade')}
          {...form.register('grade', { valueAsNumber: true })}
        />
        <NumberField
          label={say.speed}
          unit="rev/min"
          error={form.wrong('rpm')}
          {...form.register('rpm', { valueAsNumber: true })}
        />
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
  const start = { serial, grade: wanted?.grade ?? 2.5, rpm: wanted?.rpm ?? 0, by: '' }
  const form = useContractForm(typeBalance, save, start, { then: shut })
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={say.grade}
          unit="G"
          error={form.wrong('grade')}
          {...form.register('grade', { valueAsNumber: true })}
        />
        <NumberField
          label={say.speed}
          unit="rev/min"
          error={form.wrong('rpm')}
          {...form.register('rpm', { valueAsNumber: true })}
        />
        <TextField label={say.byWhom} wide error={form.wrong('by')} {...form.register('by')} />
      </div>
      <Problem lead={say.notSaved} text={form.problem} />
      <BigAction disabled={form.busy} onAct={form.send}>
        {say.save}
      </BigAction>
      <SmallActions>
        <SmallAction onAct={shut}>{say.cancel}</SmallAction>
      </SmallActions>
    </div>
  )
}
