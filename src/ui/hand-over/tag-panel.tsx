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
      <Problem lead="Tag not written." text={problem} />
      {written && !problem && (
        <Say tone="holds" lead="On the tag." role="status">
          Written and read back{written.repaired ? '; a damaged half of it was put right' : ''}.
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
          {busy ? 'Writing the tag …' : 'Write the tag'}
        </SmallAction>
        <SmallAction href={`/hand-over/tag?serial=${serial}`}>What it says</SmallAction>
      </SmallActions>
    </>
  )
}
