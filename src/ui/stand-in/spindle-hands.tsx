'use client'
import type { Result } from '@/core/units'
import type { SpindleView } from '@/stations/balance/contract'
import type { Ask, Said } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { say } from '@/words/screens/stand-in'
import { SmallAction, SmallActions } from '../common/actions'
import type { BalanceBig } from '../balance/machine'

type Hand = Ask<typeof standIn.spindleHand>

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
      <SmallActions>
        <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'put', serial, seat: big.seat }))}>
          {say.spindleStandIn(say.clampAt(big.seat))}
        </SmallAction>
        {spindle.guard === 'open' && (
          <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'guard', is: 'shut' }))}>
            {say.shutTheGuard}
          </SmallAction>
        )}
      </SmallActions>
    )
  if (big.type === 'step')
    return (
      <SmallActions>
        <SmallAction disabled={busy} onAct={() => run(() => hand({ act: 'turn', deg: big.step.deg }))}>
          {say.spindleStandIn(say.turnTo(Math.round(big.step.deg)))}
        </SmallAction>
        <SmallAction disabled={busy} onAct={() => run(() => really({ serial, how: 'as said' }))}>
          {say.doAsSaid}
        </SmallAction>
        {big.step.type === 'screw in' && (
          <SmallAction disabled={busy} onAct={() => run(() => really({ serial, how: 'heavier' }))}>
            {say.tooHeavy}
          </SmallAction>
        )}
      </SmallActions>
    )
  return null
}
