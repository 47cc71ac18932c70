'use client'
import { SmallAction } from '../common/actions'
import { PrintSaid, usePrint, type PrintAction } from './kits-panel'
import { say } from '@/words/screens/hand-over'

/** One label to the printer. */
export function PrintPanel({ id, print }: { readonly id: number; readonly print: PrintAction }) {
  const now = usePrint(print)
  return (
    <>
      <PrintSaid now={now} />
      <div className="mt-2.5 flex">
        <SmallAction disabled={now.busy} onAct={() => now.put([id])}>
          {now.busy ? say.printing : say.printTheLabel}
        </SmallAction>
      </div>
    </>
  )
}
