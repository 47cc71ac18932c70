'use client'
import { useState } from 'react'
import { PERSON_ROLES, type PersonRole } from '@/core/tool'
import type { Ask } from '@/stations/contract'
import * as people from '@/stations/people/contract'
import { say } from '@/words/screens/settings'
import { SmallAction, SmallActions } from '../common/actions'
import { CheckField, SelectField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useContractForm } from '../common/use-contract-form'
import type { PeopleActs } from './acts'

const NOBODY = { id: '', name: '', role: 'operator', retired: false, version: 0 } as const

/** Somebody new. */
export function NewPerson({ put }: Pick<PeopleActs, 'put'>) {
  const { register, send, busy, problem, wrong } = useContractForm(people.putPerson, put, NOBODY, {
    said: ({ name }) => say.personAdded(name),
  })
  return (
    <form
      className="flex flex-col gap-1.5"
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
    >
      <h2 className="text-2xl font-bold">{say.addPerson}</h2>
      <TextField label={say.name} error={wrong('name')} autoComplete="off" {...register('name')} />
      <TextField label={say.shortName} error={wrong('id')} autoComplete="off" autoCapitalize="none" {...register('id')} />
      <SelectField label={say.role} error={wrong('role')} {...register('role')}>
        <Roles />
      </SelectField>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={send}>
          {say.addThisPerson}
        </SmallAction>
      </SmallActions>
    </form>
  )
}

const Roles = () =>
  PERSON_ROLES.map((role) => (
    <option key={role} value={role}>
      {say.roles[role]}
    </option>
  ))

/** Name, role, PIN, and whether they still work here. */
export function PersonForm({
  one,
  act,
  done,
}: {
  readonly one: people.PersonView
  readonly act: PeopleActs
  readonly done: () => void
}) {
  const { busy, problem, run } = useAct()
  const [name, setName] = useState(one.name)
  const [role, setRole] = useState<PersonRole>(one.role)
  const [retired, setRetired] = useState(one.retired)
  const { id, version } = one
  return (
    <div className="flex max-w-[560px] flex-col gap-1.5 pb-3">
      <TextField label={say.name} value={name} onChange={(event) => setName(event.target.value)} />
      <SelectField label={say.role} value={role} onChange={(event) => setRole(event.target.value as PersonRole)}>
        <Roles />
      </SelectField>
      <CheckField label={say.leavesHere} checked={retired} onChange={(event) => setRetired(event.target.checked)} />
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction onAct={done}>{say.cancel}</SmallAction>
        <SmallAction disabled={busy} onAct={() => void run(() => act.end({ personId: id }), undefined, say.signOutEverywhere)}>
          {say.signOutEverywhere}
        </SmallAction>
        <SmallAction
          disabled={busy}
          onAct={() => void run(() => act.put({ id, name, role, retired, version }), done, say.personSaved(name))}
        >
          {say.save}
        </SmallAction>
      </SmallActions>
      <PinForm id={id} name={one.name} hasPin={one.hasPin} pin={act.pin} />
    </div>
  )
}

/** A new PIN, or none. */
export function PinForm({
  id,
  name,
  hasPin,
  pin,
}: {
  readonly id: string
  readonly name: string
  readonly hasPin: boolean
  readonly pin: Ask<typeof people.setPin>
}) {
  const { busy, problem, run } = useAct()
  const [typed, setTyped] = useState('')
  const save = (next: string | null, said: string) =>
    void run(
      () => pin({ personId: id, pin: next }),
      () => setTyped(''),
      said,
    )
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault()
        save(typed, say.pinSaved(name))
      }}
    >
      <TextField
        label={say.newPin}
        unit={say.newPinHint}
        type="password"
        inputMode="numeric"
        autoComplete="new-password"
        maxLength={12}
        value={typed}
        onChange={(event) => setTyped(event.target.value.replace(/\D/g, ''))}
      />
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        {hasPin && (
          <SmallAction disabled={busy} onAct={() => save(null, say.pinRemoved(name))}>
            {say.removePin}
          </SmallAction>
        )}
        <SmallAction disabled={busy || typed === ''} onAct={() => save(typed, say.pinSaved(name))}>
          {say.savePin}
        </SmallAction>
      </SmallActions>
    </form>
  )
}
