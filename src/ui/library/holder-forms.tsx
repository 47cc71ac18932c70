'use client'
import { useState } from 'react'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { DateField } from '../common/date-field'
import { SelectField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import { addHolder, type inspectHolder, type replaceStud } from '@/stations/library/contract'
import { say } from '@/words/screens/library'

export function AddHolder({
  types,
  places,
  add,
}: {
  readonly types: readonly { readonly id: string; readonly name: string }[]
  readonly places: readonly string[]
  readonly add: Ask<typeof addHolder>
}) {
  const form = useContractForm(
    addHolder,
    add,
    { serial: '', component: '', place: null },
    { said: ({ serial }) => say.holderAdded(serial) },
  )
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-2xl font-bold">{say.aNewHolderOrExtension}</h2>
      <TextField label={say.serialOnTheHolder} error={form.wrong('serial')} {...form.register('serial')} />
      <SelectField label={say.type} error={form.wrong('component')} {...form.register('component')}>
        <option value="">{say.choose}</option>
        {types.map((t) => (
          <option key={t.id} value={t.id}>
            {t.name}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.place} {...form.register('place', { setValueAs: (place: string) => place || null })}>
        <option value="">{say.noPlace}</option>
        {places.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <Problem lead={say.notSaved} text={form.problem} />
      <BigAction disabled={form.busy} onAct={form.send}>
        {say.addIt}
      </BigAction>
    </div>
  )
}

export interface CareActions {
  readonly inspect: Ask<typeof inspectHolder>
  readonly stud: Ask<typeof replaceStud>
}

/** Inspection, stud and retiring of one holder. */
export function HolderCare({
  serial,
  studs,
  suggestedUntil,
  holder: { retired, inspectBy, studSince },
  act,
}: {
  readonly serial: string
  /** Studs for its taper; empty where it has none. */
  readonly studs: readonly { readonly id: string; readonly name: string }[]
  /** Local date a year from now. */
  readonly suggestedUntil: string
  readonly holder: {
    readonly retired: boolean
    /** Until when it is good; ISO 8601. */
    readonly inspectBy: string | null
    /** Since when its stud is in, ISO 8601; null where its taper takes none, or nobody knows. */
    readonly studSince: string | null
  }
  readonly act: CareActions
}) {
  const { busy, problem, run } = useAct()
  const [until, setUntil] = useState(suggestedUntil)
  const [stud, setStud] = useState('')
  const [reason, setReason] = useState('')
  if (retired) return <p className="text-off font-semibold">{say.retired}</p>
  return (
    <details>
      <summary className="fold">{say.holderCare}</summary>
      <div className="flex flex-col gap-2">
        <DateField label={say.taperNoseAndStudInspected} value={until} take={setUntil} />
        <SmallActions>
          <SmallAction
            disabled={busy || !until}
            onAct={() =>
              void run(
                () =>
                  act.inspect({ serial, until: new Date(`${until}T12:00`).toISOString(), retireReason: null, from: inspectBy }),
                undefined,
                say.inspectionSaved(serial),
              )
            }
          >
            {say.inspected}
          </SmallAction>
        </SmallActions>
        {studs.length > 0 && (
          <>
            <SelectField label={say.newPullStud} value={stud} onChange={(e) => setStud(e.target.value)}>
              <option value="">{say.choose}</option>
              {studs.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </SelectField>
            <SmallActions>
              <SmallAction
                disabled={busy || !stud}
                onAct={() => void run(() => act.stud({ serial, stud, from: studSince }), undefined, say.studChanged(serial))}
              >
                {say.studReplaced}
              </SmallAction>
            </SmallActions>
          </>
        )}
        <TextField label={say.reasonToRetire} value={reason} onChange={(e) => setReason(e.target.value)} />
        <SmallActions>
          <SmallAction
            disabled={busy || reason.trim().length < 3}
            onAct={() => void run(() => act.inspect({ serial, until: null, retireReason: reason, from: inspectBy }))}
          >
            {say.retire}
          </SmallAction>
        </SmallActions>
        <Problem lead={say.notKept} text={problem} />
      </div>
    </details>
  )
}
