'use client'
import Link from '../common/link'
import { InPractice, usePage } from '../common/going'
import { useContext, useRef, type ReactNode } from 'react'
import { Choices } from '../common/actions'
import { Say } from '../common/sheet'
import { HelpSheet } from './help-sheet'
import { Keys } from './keys'
import { Leaving } from './leaving'
import { Mark } from './mark'
import { Others } from './others'
import { PinPad } from './pin-pad'
import { Palette } from './palette'
import { OTHERS, STATIONS } from './places'
import { useShell } from './shell-context'
import { StillThere } from './still-there'
import type { Ask } from '@/stations/contract'
import type { findAnything } from '@/stations/find/contract'
import type { startRoom } from '@/stations/lessons/contract'
import { NewHere } from '../practice/new-here'
import { say } from '@/words/screens/shell'
import { ScanField, FromPicture } from './scan-field'

export type Waiting = Readonly<Record<string, number>>

/** Header, bench line and whatever sheet is open. */
export function Frame({
  place,
  waiting,
  find,
  fault,
  strip,
  tour,
  children,
}: {
  readonly place: string
  readonly waiting: Waiting
  readonly find: Ask<typeof findAnything>
  /** Why nothing can be saved; null while all is well. */
  readonly fault: string | null
  /** Over every screen of the practice room; null in the shop itself. */
  readonly strip: ReactNode
  /** Begins the tour, for somebody new; null: nobody is. */
  readonly tour: Ask<typeof startRoom> | null
  readonly children: ReactNode
}) {
  const help = useRef<HTMLDialogElement>(null)
  return (
    <div className={`grid h-dvh ${strip ? 'border-unsure grid-rows-[auto_minmax(0,1fr)] border-[6px] border-t-0' : ''}`}>
      {strip}
      <div className="relative grid min-h-0 grid-cols-[164px_1fr] grid-rows-[56px_minmax(0,1fr)] max-[900px]:grid-cols-[132px_1fr]">
        <a href="#sheet" className="btn btn-primary sr-only z-30 focus:not-sr-only focus:absolute focus:top-2 focus:left-2">
          {say.skipToTheSheet}
        </a>
        <header className="border-rule bg-paper col-span-2 flex items-center gap-4 border-b pr-4">
          <Link
            href="/kit"
            className="font-head flex w-[164px] shrink-0 items-center gap-2 pl-4 text-2xl font-bold max-[900px]:w-[124px]"
          >
            <Mark /> {say.boulder}
          </Link>
          <span className="font-head text-soft shrink-0 text-[18px] font-medium max-[1100px]:hidden">{place}</span>
          <ScanField />
          <FromPicture />
          <Palette find={find} />
          <UnitSwitch />
          <Who />
          <button
            className="btn btn-ghost btn-square text-soft shrink-0 text-xl"
            aria-label={say.keysOfThisProgram}
            onClick={() => help.current?.showModal()}
          >
            ?
          </button>
        </header>
        <BenchLine waiting={waiting} tour={tour} />
        <main id="sheet" tabIndex={-1} className="grid min-h-0 min-w-0 grid-rows-[auto_1fr]">
          {fault && (
            <div className="fixed top-16 left-1/2 z-40 w-max max-w-[min(760px,92vw)] -translate-x-1/2 shadow-lg">
              <Say tone="off" lead={say.nothingCanBeSaved} role="alert">
                {fault}
              </Say>
            </div>
          )}
          {children}
        </main>
        <Keys onHelp={() => help.current?.showModal()} />
        <Leaving />
        <StillThere />
        <PinPad />
        <dialog ref={help} className="modal" aria-label={say.keys}>
          <div className="modal-box max-w-3xl">
            <HelpSheet />
            <form method="dialog" className="modal-action">
              <button className="btn btn-outline px-6">{say.close}</button>
            </form>
          </div>
        </dialog>
      </div>
    </div>
  )
}

const UNITS = [
  { key: 'mm', name: 'mm' },
  { key: 'inch', name: 'inch' },
] as const

function UnitSwitch() {
  const { unit, actions } = useShell()
  return <Choices label={say.unitOfLengths} all={UNITS} taken={unit} take={(u) => void actions.setUnit(u)} />
}

function Who() {
  const { person, people, actions, signIn, sayScan } = useShell()
  const practice = useContext(InPractice)
  const menu = useRef<HTMLDetailsElement>(null)
  return (
    <details ref={menu} className="relative shrink-0">
      <summary
        className={`flex h-11 max-w-[170px] cursor-pointer list-none items-center truncate font-semibold ${person ? '' : 'text-off'}`}
      >
        <span className="truncate">{person?.name ?? say.signIn}</span>
      </summary>
      <ul className="menu bg-paper border-ink absolute right-0 z-20 mt-1 w-64 border-[1.5px]">
        {people.map((p) => (
          <li key={p.id}>
            <button
              className="flex h-12 justify-between text-lg font-semibold"
              onClick={() => {
                menu.current?.removeAttribute('open')
                void signIn(p.id).then((said) => said?.tone === 'off' && sayScan(said))
              }}
            >
              {p.name} <span className="text-soft text-base font-medium">{p.role}</span>
            </button>
          </li>
        ))}
        {person && !practice && (
          <li className="border-rule border-t">
            <button
              className="flex h-12 text-lg font-semibold"
              onClick={() => {
                menu.current?.removeAttribute('open')
                void actions.signOut({})
              }}
            >
              {say.signOut}
            </button>
          </li>
        )}
        {people.length === 0 && <li className="text-soft p-4">{practice ? say.whoPractises : say.thereAreNoPeopleIn}</li>}
      </ul>
    </details>
  )
}

function BenchLine({ waiting, tour }: { readonly waiting: Waiting; readonly tour: Ask<typeof startRoom> | null }) {
  const path = usePage()
  const here = (href: string) => path === href || path.startsWith(`${href}/`)
  return (
    <nav className="border-rule flex min-h-0 flex-col overflow-y-auto border-r py-2" aria-label={say.stations}>
      {STATIONS.map(({ key, name, href }) => (
        <Link
          key={key}
          href={href}
          aria-current={here(href) ? 'page' : undefined}
          className={`font-head flex h-[46px] shrink-0 items-center gap-2 border-l-[5px] pr-3.5 pl-[18px] text-xl font-semibold whitespace-nowrap max-[900px]:pr-2 max-[900px]:pl-2.5 ${here(href) ? 'bg-paper border-act' : 'border-transparent'}`}
        >
          {name}
          <small className="figures text-soft ml-auto text-[17px]">{waiting[key] ? waiting[key] : ''}</small>
        </Link>
      ))}
      <hr className="border-rule mx-[18px] my-2" />
      {OTHERS.map(({ key, name, href }) => (
        <Link
          key={key}
          href={href}
          aria-current={here(href) ? 'page' : undefined}
          className={`font-head flex h-[44px] shrink-0 items-center border-l-[5px] pl-[18px] text-lg font-medium max-[900px]:pl-2.5 ${here(href) ? 'bg-paper border-act' : 'border-transparent'}`}
        >
          {name}
        </Link>
      ))}
      {tour && <NewHere start={tour} />}
      <Others />
    </nav>
  )
}
