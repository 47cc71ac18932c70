'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

/** Takes a hand-over back with a reason, or leads to a new number for a label that was lost. */
export function VoidPanel({
  serial,
  takeBack,
}: {
  readonly serial: string
  readonly takeBack: Ask<typeof handOver.voidHandover>
}) {
  const router = useRouter()
  const { busy, problem, run } = useAct()
  const [reason, setReason] = useState<string | null>(null)
  return (
    <>
      <Problem lead={say.notVoided} text={problem} />
      {reason === null ? (
        <SmallActions>
          <SmallAction onAct={() => router.push(`/hand-over/${serial}?anew=1`)}>{say.newNumber}</SmallAction>
          <SmallAction onAct={() => setReason('')}>{say.voidHandOver}</SmallAction>
        </SmallActions>
      ) : (
        <SmallActions>
          <input
            className="input flex-1"
            aria-label={say.whyItIsVoid}
            placeholder="why"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          <SmallAction
            disabled={busy}
            onAct={() =>
              void run(
                () => takeBack({ serial, reason }),
                () => setReason(null),
              )
            }
          >
            {say.takeItBack}
          </SmallAction>
        </SmallActions>
      )}
    </>
  )
}
