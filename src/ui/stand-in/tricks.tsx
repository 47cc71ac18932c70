/** What a stand-in has no hands for: doors, chips and screws are moved from the sheet. Shown only where a stand-in is in use. */
import { SPINDLE } from '@/core/tool'
import type { StepLine } from '@/core/load'
import type { Ask, Asked } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { say } from '@/words/screens/stand-in'
import { SmallAction, SmallActions } from '../common/actions'
import type { Run } from '../common/use-act'

type HandAct = Asked<typeof standIn.hand>['act']

interface Played {
  readonly busy: boolean
  readonly run: Run
}

const HANDS: Partial<Record<StepLine['step'], readonly [HandAct, string]>> = {
  open: ['open', say.openTheDoor],
  in: ['put', say.putItIn],
  shut: ['shut', say.shutTheDoor],
}
const AT_SPINDLE: Partial<Record<StepLine['step'], readonly [HandAct, string]>> = {
  pocket: ['manual', say.changerToManual],
  in: ['spindle put', say.putItIn],
}

/** At the machine: what a switch waits for. */
export function HandAtMachine({
  machine,
  step,
  pocket,
  hand,
  busy,
  run,
}: Played & {
  readonly machine: string
  readonly step: StepLine['step']
  readonly pocket: number
  readonly hand: Ask<typeof standIn.hand>
}) {
  const play = (pocket === SPINDLE ? AT_SPINDLE[step] : undefined) ?? HANDS[step]
  if (!play) return null
  return (
    <SmallActions>
      <SmallAction onAct={() => void run(() => hand({ machine, act: play[0] }))} disabled={busy}>
        {say.standInMachine(play[1])}
      </SmallAction>
    </SmallActions>
  )
}

/** At the machine: the tool is taken out of its pocket or of the spindle. */
export function TakeFromMachine({
  machine,
  pocket,
  takeOut,
  busy,
  run,
}: Played & {
  readonly machine: string
  readonly pocket: number
  readonly takeOut: Ask<typeof standIn.takeFromMachine>
}) {
  return (
    <SmallAction onAct={() => void run(() => takeOut({ machine, byHand: pocket === SPINDLE }))} disabled={busy}>
      {say.standInMachineTakeIt}
    </SmallAction>
  )
}

type Trick = Asked<typeof standIn.tagTrick>['trick']

const TRICKS: readonly (readonly [Trick, string])[] = [
  ['new', say.aNewChip],
  ['small', say.aSmallOne],
  ['foreign', say.anotherMakers],
  ['flip', say.flipABit],
  ['pull', say.pullItAwayAtThe],
]

/** At the tag reader: what may happen to a chip. */
export function TagTricks({
  serial,
  trick,
  busy,
  run,
}: Played & { readonly serial: string; readonly trick: Ask<typeof standIn.tagTrick> }) {
  return (
    <details className="mb-2.5">
      <summary className="fold text-ink">{say.theStandInsChipIn(serial)}</summary>
      <div className="grid grid-cols-2 gap-2">
        {TRICKS.map(([name, words]) => (
          <SmallAction key={name} disabled={busy} onAct={() => void run(() => trick({ serial, trick: name }))}>
            {words}
          </SmallAction>
        ))}
      </div>
    </details>
  )
}

const DIVISIONS = [-5, -1, 1, 5] as const

/** At the bench: a screw of the tool is turned by so many divisions. */
export function HandOnScrew({ on, turn }: { readonly on: boolean; readonly turn: (divisions: number) => void }) {
  return (
    <>
      <p className="text-soft mt-2 text-base">{say.demoTheHandOnThe}</p>
      <SmallActions>
        {DIVISIONS.map((n) => (
          <SmallAction key={n} disabled={!on} onAct={() => turn(n)}>
            {n > 0 ? `+${n}` : `−${-n}`}
          </SmallAction>
        ))}
      </SmallActions>
    </>
  )
}
