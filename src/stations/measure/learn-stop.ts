import { partIn } from '@/core/fits'
import { numberOf, type Assembly } from '@/core/tool'
import { putLesson } from '@/db/build/write'
import { stackOf } from '../build/stack-of'
import type { Writing } from '../write'

/** What this build teaches about the stop: how high it was set, and how long the tool is now that it is cold. */
export function learnStop(tx: Writing, assembly: Assembly, measuredMm: number | null, takenAt: string): void {
  const { heat, stopSetMm } = assembly
  if (measuredMm === null || stopSetMm === null || (heat !== null && heat.measureAt > takenAt)) return
  const parts = stackOf(tx.db, assembly)
  const holder = partIn(parts, 'holder')
  const cutter = partIn(parts, 'cutter')
  const shankMm = cutter && numberOf(cutter, 'DMM')
  if (!holder || !shankMm) return
  putLesson(tx.db, assembly.id, holder.id, { shankMm, stopSetMm, measuredMm, at: tx.now })
}
