'use client'
import { useState } from 'react'
import { SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { fail } from '@/core/units'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'
import { hasNfc, readChip, writeChip } from './nfc'

export interface NfcActs {
  readonly prepare: Ask<typeof handOver.prepareNfc>
  readonly note: Ask<typeof handOver.noteNfc>
}

/** Read, written and read back by the tablet; what is noted is what was read back. */
async function writeByTablet(serial: string, { prepare, note }: NfcActs): ReturnType<NfcActs['note']> {
  const problem = (text: string) => fail({ code: 'NFC', text })
  if (!hasNfc()) return problem(say.noNfcHere)
  try {
    const ready = await prepare({ serial, bytes: await readChip() })
    if (!ready.ok) return ready
    await writeChip(ready.value.bytes)
    const back = await readChip()
    return back === null ? problem(say.chipGone) : await note({ serial, bytes: back })
  } catch {
    return problem(say.chipGone)
  }
}

/** Writes the hand-over to the chip in the holder, and says what came of it. */
export function TagPanel({
  serial,
  write,
  nfc,
}: {
  readonly serial: string
  readonly write: Ask<typeof handOver.writeTag>
  /** Where the tablet itself writes it; null: the reader of the shop does. */
  readonly nfc: NfcActs | null
}) {
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
            void run(() => (nfc ? writeByTablet(serial, nfc) : write({ serial })), setWritten)
          }}
        >
          {busy ? (nfc ? say.holdTheChip : say.writingTheChip) : say.writeTheChip}
        </SmallAction>
        <SmallAction href={`/hand-over/tag?serial=${serial}`}>{say.showItsContent}</SmallAction>
      </SmallActions>
    </>
  )
}
