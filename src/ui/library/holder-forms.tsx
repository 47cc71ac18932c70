'use client'
import { useState } from 'react'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as library from '@/stations/library/contract'

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
      <h2 className="text-2xl font-bold">A new holder or extension</h2>
      <Field name="Serial on the holder">
        <input className={FIELD} value={serial} onChange={(e) => setSerial(e.target.value)} />
      </Field>
      <Field name="Type">
        <select className={FIELD} value={type} onChange={(e) => setType(e.target.value)}>
          <option value="">choose …</option>
          {types.map((t) => (
            <option key={t.id} value={t.id}>
              {t.name}
            </option>
          ))}
        </select>
      </Field>
      <Field name="Place">
        <select className={FIELD} value={place} onChange={(e) => setPlace(e.target.value)}>
          <option value="">no place</option>
          {places.map((p) => (
            <option key={p}>{p}</option>
          ))}
        </select>
      </Field>
      <Problem lead="Not saved." text={problem} />
      <BigAction
        disabled={busy || !serial || !type}
        onAct={() =>
          void run(
            () => add({ serial, component: type, place: place || null }),
            () => setSerial(''),
          )
        }
      >
        Add it
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
  if (retired) return <p className="text-off font-semibold">◆ Retired.</p>
  return (
    <details>
      <summary className="text-act font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">Holder care</summary>
      <div className="flex flex-col gap-2">
        <Field name="Taper, nose and stud inspected. Next inspection">
          <input type="date" className={FIELD} value={until} onChange={(e) => setUntil(e.target.value)} />
        </Field>
        <SmallActions>
          <SmallAction
            disabled={busy || !until}
            onAct={() =>
              void run(() => act.inspect({ serial, until: new Date(`${until}T12:00`).toISOString(), retireReason: null }))
            }
          >
            Inspected
          </SmallAction>
        </SmallActions>
        {studs.length > 0 && (
          <>
            <Field name="New pull stud">
              <select className={FIELD} value={stud} onChange={(e) => setStud(e.target.value)}>
                <option value="">choose …</option>
                {studs.map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
              </select>
            </Field>
            <SmallActions>
              <SmallAction disabled={busy || !stud} onAct={() => void run(() => act.stud({ serial, stud }))}>
                Stud replaced
              </SmallAction>
            </SmallActions>
          </>
        )}
        <Field name="Reason to retire">
          <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
        </Field>
        <SmallActions>
          <SmallAction
            disabled={busy || reason.trim().length < 3}
            onAct={() => void run(() => act.inspect({ serial, until: null, retireReason: reason }))}
          >
            Retire
          </SmallAction>
        </SmallActions>
        <Problem lead="Not kept." text={problem} />
      </div>
    </details>
  )
}
