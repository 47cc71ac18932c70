'use client'
import { useState } from 'react'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'
import { say } from '@/words/screens/library'

export function AddHolder({
  types,
  places,
  add,
}: {
  readonly types: readonly { readonly id: string; readonly name: string }[]
  readonly places: readonly string[]
  readonly add: Ask<typeof library.addHolder>
}) {
  const { busy, problem, run } = useAct()
  const [serial, setSerial] = useState('')
  const [type, setType] = useState('')
  const [place, setPlace] = useState('')
  return (
    <div className="flex flex-col gap-2.5">
      <h2 className="text-2xl font-bold">{say.aNewHolderOrExtension}</h2>
      <Field name={say.serialOnTheHolder}>
        <input className={FIELD} value={serial} onChange={(e) => setSerial(e.target.value)} />
      </Field>
      <Field name={say.type}>
        <select className={FIELD} value={type} onChange={(e) => setType(e.target.value)}>
          <option value="">{say.choose}</option>
          {types.map((t) => (
            <option key={t.id} value={t.id}>
              {t.name}
            </option>
          ))}
        </select>
      </Field>
      <Field name={say.place}>
        <select className={FIELD} value={place} onChange={(e) => setPlace(e.target.value)}>
          <option value="">{say.noPlace}</option>
          {places.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
      </Field>
      <Problem lead={say.notSaved} text={problem} />
      <BigAction
        disabled={busy || !serial || !type}
        onAct={() =>
          void run(
            () => add({ serial, component: type, place: place || null }),
            () => setSerial(''),
          )
        }
      >
        {say.addIt}
      </BigAction>
    </div>
  )
}

export interface CareActions {
  readonly inspect: Ask<typeof library.inspectHolder>
  readonly stud: Ask<typeof library.replaceStud>
}

/** Inspection, stud and retiring of one holder. */
export function HolderCare({
  serial,
  studs,
  suggestedUntil,
  retired,
  act,
}: {
  readonly serial: string
  /** Studs for its taper; empty where it has none. */
  readonly studs: readonly { readonly id: string; readonly name: string }[]
  /** Local date a year from now. */
  readonly suggestedUntil: string
  readonly retired: boolean
  readonly act: CareActions
}) {
  const { busy, problem, run } = useAct()
  const [until, setUntil] = useState(suggestedUntil)
  const [stud, setStud] = useState('')
  const [reason, setReason] = useState('')
  if (retired) return <p className="text-off font-semibold">{say.retired}</p>
  return (
    <details>
      <summary className="text-act font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">{say.holderCare}</summary>
      <div className="flex flex-col gap-2">
        <Field name={say.taperNoseAndStudInspected}>
          <input type="date" className={FIELD} value={until} onChange={(e) => setUntil(e.target.value)} />
        </Field>
        <SmallActions>
          <SmallAction
            disabled={busy || !until}
            onAct={() =>
              void run(() => act.inspect({ serial, until: new Date(`${until}T12:00`).toISOString(), retireReason: null }))
            }
          >
            {say.inspected}
          </SmallAction>
        </SmallActions>
        {studs.length > 0 && (
          <>
            <Field name={say.newPullStud}>
              <select className={FIELD} value={stud} onChange={(e) => setStud(e.target.value)}>
                <option value="">{say.choose}</option>
                {studs.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
              </select>
            </Field>
            <SmallActions>
              <SmallAction disabled={busy || !stud} onAct={() => void run(() => act.stud({ serial, stud }))}>
                {say.studReplaced}
              </SmallAction>
            </SmallActions>
          </>
        )}
        <Field name={say.reasonToRetire}>
          <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
        </Field>
        <SmallActions>
          <SmallAction
            disabled={busy || reason.trim().length < 3}
            onAct={() => void run(() => act.inspect({ serial, until: null, retireReason: reason }))}
          >
            {say.retire}
          </SmallAction>
        </SmallActions>
        <Problem lead={say.notKept} text={problem} />
      </div>
    </details>
  )
}
