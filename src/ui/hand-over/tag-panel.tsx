'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'

/** Writes the hand-over to the chip in the holder, and says what came of it. */
export function TagPanel({ serial, write }: { readonly serial: string; readonly write: Ask<typeof handOver.writeTag> }) {
  const { busy, problem, run } = useAct()
  const [written, setWritten] = useState<{ sequence: number; repaired: boolean } | null>(null)
  return (
    <>
      <Problem lead="Chip not written." text={problem} />
      {written && !problem && (
        <Say tone="holds" lead="Chip written." role="status">
          Written and read back{written.repaired ? '. A damaged copy was repaired' : ''}.
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
          {busy ? 'Writing the chip …' : 'Write the chip'}
        </SmallAction>
        <SmallAction href={`/hand-over/tag?serial=${serial}`}>Show its content</SmallAction>
      </SmallActions>
    </>
  )
}
