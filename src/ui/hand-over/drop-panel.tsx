'use client'
import { useState } from 'react'
import { SmallAction } from '../common/actions'
import { Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'

export type DropAction = Ask<typeof handOver.dropPost>

/** Puts a file into its machine's folder; asks before it writes over one that still lies there. */
export function useDrop(drop: DropAction) {
  const { busy, run } = useAct()
  const [said, setSaid] = useState<{ tone: 'holds' | 'off'; text: string; again: number[] | null } | null>(null)
  const put = (ids: number[], over = false) =>
    void run<{ file: string } | null>(async () => {
      const done = await drop({ ids, over })
      setSaid(
        done.ok
          ? { tone: 'holds', text: say.isInTheMachinesFolder(done.value.file), again: null }
          : { tone: 'off', text: done.error.text, again: done.error.code === 'FILE_THERE' ? ids : null },
      )
      return done.ok ? done : { ok: true as const, value: null }
    })
  return { busy, said, put }
}

export function DropSaid({ drop }: { readonly drop: ReturnType<typeof useDrop> }) {
  const { said, put, busy } = drop
  if (!said) return null
  return (
    <>
      <Say
        tone={said.tone}
        lead={said.tone === 'holds' ? say.sent : say.notSent}
        role={said.tone === 'holds' ? 'status' : 'alert'}
      >
        {said.text}
      </Say>
      {said.again && (
        <div className="mb-2.5 flex">
          <SmallAction disabled={busy} onAct={() => put(said.again!, true)}>
            {say.overwriteTheOldFile}
          </SmallAction>
        </div>
      )}
    </>
  )
}

/** One tool's file into the folder. */
export function DropPanel({ id, drop }: { readonly id: number; readonly drop: DropAction }) {
  const now = useDrop(drop)
  return (
    <>
      <DropSaid drop={now} />
      <div className="mt-2.5 flex">
        <SmallAction disabled={now.busy} onAct={() => now.put([id])}>
          {say.saveToTheMachinesFolder}
        </SmallAction>
      </div>
    </>
  )
}
