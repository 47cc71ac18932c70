'use client'
import { useGo } from '../common/going'
import type { Ask } from '@/stations/contract'
import * as people from '@/stations/people/contract'
import { say } from '@/words/screens/settings'
import { SelectField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'

const START = { code: '', shop: '', unit: 'mm', zone: '', id: '', name: '', pin: '' } as const

/** The first thing that an empty shop shows: its name, and its first administrator. */
export function FirstRun({ begin, zones }: { readonly begin: Ask<typeof people.beginShop>; readonly zones: readonly string[] }) {
  const router = useGo()
  const { register, send, busy, problem, wrong } = useContractForm(people.beginShop, begin, START, {
    then: () => router.replace('/settings/people'),
  })
  return (
    <main className="mx-auto flex min-h-screen max-w-[560px] flex-col justify-center gap-1 p-6">
      <h1 className="text-[34px] leading-tight font-bold">{say.welcome}</h1>
      <p className="text-soft mb-2 text-lg">{say.welcomeAbout}</p>
      <form
        className="flex flex-col gap-1"
        onSubmit={(event) => {
          event.preventDefault()
          send()
        }}
      >
        <TextField
          label={say.firstCode}
          unit={say.firstCodeHint}
          error={wrong('code')}
          autoComplete="off"
          autoFocus
          {...register('code')}
        />
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
        <TextField label={say.yourName} error={wrong('name')} autoComplete="off" {...register('name')} />
        <TextField
          label={say.yourShortName}
          unit={say.shortNameHint}
          error={wrong('id')}
          autoComplete="off"
          autoCapitalize="none"
          {...register('id')}
        />
        <TextField
          label={say.yourNewPin}
          unit={say.newPinHint}
          error={wrong('pin')}
          type="password"
          inputMode="numeric"
          autoComplete="new-password"
          {...register('pin')}
        />
        <Problem lead={say.notBegun} text={problem} />
        <button type="submit" className="btn btn-primary btn-lg mt-3" disabled={busy}>
          {say.begin}
        </button>
      </form>
    </main>
  )
}
