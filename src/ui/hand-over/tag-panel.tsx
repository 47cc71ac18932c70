'use client'
import { useState } from 'react'
import type { Result } from '@/core/units'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'

/** Writes the hand-over to the chip in the holder, and says what came of it. */
export function TagPanel({
  serial,
  write,
}: {
  readonly serial: string
  readonly write: (given: { serial: string }) => Promise<Result<{ sequence: number; repaired: boolean }, { text: string }>>
}) {
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
