'use client'
import { useState } from 'react'
import * as contracts from '@/stations/people/contract'
import type * as people from '@/stations/people/contract'
import { say } from '@/words/screens/settings'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { AS_NUMBER, CheckField, NumberField, SelectField, TextField } from '../common/form'
import { Problem, Sheet, Title } from '../common/sheet'
import { SETTINGS_TABS, SubNav } from '../common/sub-nav'
import { useContractForm } from '../common/use-contract-form'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { PeopleActs } from './acts'
import { NewPerson, PersonForm, PinForm } from './person-forms'

/** Who works here, what they may do, and how they sign in. */
export function PeopleStation({
  view,
  act,
  zones,
}: {
  readonly view: people.PeopleView
  readonly act: PeopleActs
  readonly zones: readonly string[]
}) {
  const { person } = useShell()
  const rules = person?.role === 'administrator'
  const [open, setOpen] = useState<string | null>(null)
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={SETTINGS_TABS} label={say.settings} />
          <Title lead={say.people}>{say.peopleAbout}</Title>
          <ul className="border-rule max-w-[760px] border-t">
            {view.people.map((one) => (
              <li key={one.id} className="border-rule border-b py-1.5">
                <div className={`flex min-h-11 items-center gap-4 ${one.retired ? 'text-soft' : ''}`}>
                  <span className="min-w-0 flex-1 truncate">
                    <b className="font-head text-[20px]">{one.name}</b> <small className="text-soft text-base">{one.id}</small>
                  </span>
                  <span className="w-[110px]">{one.retired ? say.hasLeft : say.roleNames[one.role]}</span>
                  <span className="text-soft w-[70px] text-base">{one.hasPin ? say.hasPin : say.hasNoPin}</span>
                  {rules && open === one.id && <span className="w-[64px]" />}
                  {rules && open !== one.id && (
                    <RowAction aria-label={say.changePersonName(one.name)} onAct={() => setOpen(one.id)}>
                      {say.changePerson}
                    </RowAction>
                  )}
                </div>
                {rules && open === one.id && <PersonForm one={one} act={act} done={() => setOpen(null)} />}
              </li>
            ))}
          </ul>
        </>
      }
      right={
        <>
          {rules ? <NewPerson put={act.put} /> : <p className="text-soft">{say.askAnAdministrator}</p>}
          {rules && view.shop && <ShopForm key={view.shop.version} shop={view.shop} put={act.shop} zones={zones} />}
          <SignInRule view={view} rules={rules} rule={act.rule} />
          {person && !rules && (
            <section className="mt-4">
              <h2 className="text-2xl font-bold">{say.yourPin}</h2>
              <PinForm
                id={person.id}
                name={person.name}
                hasPin={view.people.some((p) => p.id === person.id && p.hasPin)}
                pin={act.pin}
              />
            </section>
          )}
        </>
      }
    />
  )
}

/** What the shop is called, and how it tells times. */
function ShopForm({
  shop,
  put,
  zones,
}: {
  readonly shop: NonNullable<people.PeopleView['shop']>
  readonly put: PeopleActs['shop']
  readonly zones: readonly string[]
}) {
  const { register, send, busy, problem, wrong } = useContractForm(contracts.putShop, put, shop, { said: () => say.ruleSaved })
  return (
    <form
      className="mt-4 flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
    >
      <h2 className="text-2xl font-bold">{say.thisShop}</h2>
      <TextField label={say.shopName} error={wrong('shop')} autoComplete="off" {...register('shop')} />
      <SelectField label={say.lengthsIn} error={wrong('unit')} {...register('unit')}>
        <option value="mm">mm</option>
        <option value="inch">inch</option>
      </SelectField>
      <SelectField label={say.zone} error={wrong('zone')} {...register('zone')}>
        <option value="">{say.zoneOfServer}</option>
        {zones.map((zone) => (
          <option key={zone}>{zone}</option>
        ))}
      </SelectField>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={send}>
          {say.save}
        </SmallAction>
      </SmallActions>
    </form>
  )
}

function SignInRule({
  view: { signIn },
  rules,
  rule,
}: {
  readonly view: people.PeopleView
  readonly rules: boolean
  readonly rule: PeopleActs['rule']
}) {
  const { busy, problem, run } = useAct()
  const off = busy || !rules
  const put = (change: Partial<typeof signIn>) => void run(() => rule({ ...signIn, ...change }), undefined, say.ruleSaved)
  return (
    <section className="mt-4">
      <h2 className="text-2xl font-bold">{say.signingIn}</h2>
      <CheckField
        label={say.badgeAlone}
        checked={signIn.badgeAlone}
        disabled={off}
        onChange={(event) => put({ badgeAlone: event.target.checked })}
      />
      <p className="text-soft mb-3">{say.badgeAloneAbout}</p>
      <Quiet
        label={say.askAgainAfter}
        unit={say.askAgainUnit}
        value={signIn.askAgainMin}
        put={(askAgainMin) => put({ askAgainMin })}
        off={off}
      />
      <p className="text-soft mb-3">{say.askAgainAbout}</p>
      <Quiet
        label={say.staysFor}
        unit={say.staysForUnit}
        value={signIn.stayHours}
        put={(stayHours) => put({ stayHours })}
        off={off}
      />
      <p className="text-soft">{say.staysForAbout}</p>
      <Problem lead={say.notSaved} text={problem} />
    </section>
  )
}

/** A time after which something happens by itself; kept when the field is left. */
function Quiet({
  label,
  unit,
  value,
  put,
  off,
}: {
  readonly label: string
  readonly unit: string
  readonly value: number
  readonly put: (value: number) => void
  readonly off: boolean
}) {
  return (
    <NumberField
      key={value}
      label={label}
      unit={unit}
      decimals={false}
      className="w-[110px]"
      defaultValue={value}
      disabled={off}
      onBlur={(event) => {
        const typed = AS_NUMBER.setValueAs(event.target.value)
        if (typed !== value) put(typed)
      }}
    />
  )
}
