'use client'
import { say } from '@/words/screens/shell'
import { Keys } from './keys'
import { Mark } from './mark'
import { PinPad } from './pin-pad'
import { ScanField } from './scan-field'
import { useShell } from './shell-context'

/** All that is shown while nobody has signed in: who may work here. The sheet behind it is opened when somebody has. */
export function SignIn({ place }: { readonly place: string }) {
  const { people, signIn, sayScan } = useShell()
  return (
    <div className="grid h-dvh grid-rows-[56px_1fr]">
      <header className="border-rule bg-paper flex items-center gap-4 border-b px-4">
        <span className="font-head flex shrink-0 items-center gap-2 text-2xl font-bold">
          <Mark /> {say.boulder}
        </span>
        <span className="font-head text-soft shrink-0 text-[18px] font-medium max-[760px]:hidden">{place}</span>
        <ScanField hint={say.scanYourBadge} />
      </header>
      <main className="min-h-0 overflow-y-auto p-6">
        <div className="mx-auto max-w-[960px]">
          <h1 className="text-[34px] leading-tight font-bold">{say.whoWorksHere}</h1>
          <p className="text-soft mt-1 text-lg">{people.length ? say.scanYourBadgeOrPress : say.thereAreNoPeopleIn}</p>
          <ul className="mt-5 grid grid-cols-[repeat(auto-fill,minmax(260px,1fr))] gap-3">
            {people.map(({ id, name, role }) => (
              <li key={id}>
                <button
                  className="btn btn-outline bg-paper h-[84px] w-full flex-col items-start gap-0 px-5 text-left"
                  onClick={() => void signIn(id).then((said) => said?.tone === 'off' && sayScan(said))}
                >
                  <span className="w-full truncate text-[24px] leading-tight font-bold" title={name}>
                    {name}
                  </span>
                  <span className="text-soft text-base font-medium">{role}</span>
                </button>
              </li>
            ))}
          </ul>
        </div>
      </main>
      <Keys scansOnly />
      <PinPad />
    </div>
  )
}
