'use client'
import type { Result } from '@/core/units'
import type { SpindleView } from '@/stations/balance/contract'
import type { Ask, Said } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { say } from '@/words/screens/stand-in'
import { SmallAction, SmallActions } from '../common/actions'
import type { BalanceBig } from '../balance/machine'
import type { ReactNode } from 'react'

type Hand = Ask<typeof standIn.spindleHand>

/** Buttons in place of hands, under what they belong to. */
export const Hands = ({ children }: { readonly children: ReactNode }) => (
  <div className="mt-2">
    <p className="text-soft text-base">{say.spindleStandIn}</p>
    <SmallActions>{children}</SmallActions>
  </div>
)

/** What hands do at a balancing spindle that is a stand-in: clamp, shut the guard, turn it, put screws in. */
export function SpindleHands({
  spindle,
  serial,
  big,
  busy,
  run,
  hand,
  really,
}: {
  readonly spindle: SpindleView
  readonly serial: string
  readonly big: BalanceBig
  readonly busy: boolean
  readonly run: (asked: () => Promise<Result<unknown, Said>>) => void
  readonly hand: Hand
  readonly really: Ask<typeof standIn.reallyDo>
}) {
  if (big.type === 'start')
    return (
      <Hands>
        <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'put', serial, seat: big.seat }))}>
          {say.clampAt(big.seat)}
        </SmallAction>
        {spindle.guard === 'open' && (
          <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'guard', is: 'shut' }))}>
            {say.shutTheGuard}
          </SmallAction>
        )}
      </Hands>
    )
  if (big.type === 'step')
    return (
      <Hands>
        <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'turn', deg: big.step.deg }))}>
          {say.turnTo(Math.round(big.step.deg))}
        </SmallAction>
        <SmallAction disabled={busy} onAct={() => run(() => really({ serial, how: 'as said' }))}>
          {say.doAsSaid}
        </SmallAction>
        {big.step.type === 'screw in' && (
          <SmallAction disabled={busy} onAct={() => run(() => really({ serial, how: 'heavier' }))}>
            {say.tooHeavy}
          </SmallAction>
        )}
      </Hands>
    )
  return null
}
