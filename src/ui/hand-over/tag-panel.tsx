'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

/** Writes the hand-over to the chip in the holder, and says what came of it. */
export function TagPanel({ serial, write }: { readonly serial: string; readonly write: Ask<typeof handOver.writeTag> }) {
  const { busy, problem, run } = useAct()
  const [written, setWritten] = useState<{ sequence: number; repaired: boolean } | null>(null)
  return (
    <>
      <Problem lead={say.chipNotWritten} text={problem} />
      {written && !problem && (
        <Say tone="holds" lead={say.chipWritten} role="status">
          {say.writtenAndReadBack(written.repaired ? say.aDamagedCopyWasRepaired : '')}
        </Say>
      )}
      <SmallActions>
        <SmallAction
          disabled={busy}
          onAct={() => {
            setWritten(null)
            void run(() => write({ serial }), setWritten)
          }}
        >
          {busy ? say.writingTheChip : say.writeTheChip}
        </SmallAction>
        <SmallAction href={`/hand-over/tag?serial=${serial}`}>{say.showItsContent}</SmallAction>
      </SmallActions>
    </>
  )
}
