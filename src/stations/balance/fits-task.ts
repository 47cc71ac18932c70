import type { FitsTask } from '@/core/balance'
import { numberOf } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listComponents } from '@/db/library/read'
import { balanceOf } from '@/db/stock/read'
import { presentRound, type BalanceSheet } from './balance-sheet'

/** A drill as it is in every shop (common practice, no source). */
const BIT = { diameterMm: 6, pointDeg: 118 }

/** What a correction is computed from; null where nothing was found yet. */
export function fitsTask(db: Db, sheet: BalanceSheet): FitsTask | null {
  const { tool, wanted, provision, has, calibration } = sheet
  const present = presentRound(sheet)
  if (!tool || !wanted || !calibration || !present) return null
  const { found } = present
  return {
    spread: { zMm: calibration.influence.zMm, at: found.planes },
    sigmaGmm: Math.max(...found.sigma),
    tool,
    wanted,
    provision,
    has,
    drawer: drawerFor(db, provision.thread),
    bit: BIT,
  }
}

/** Balancing screws that fit a thread, with how many are at hand. */
function drawerFor(db: Db, thread: string | null): FitsTask['drawer'] {
  if (thread === null) return []
  return listComponents(db).flatMap((part) => {
    const massG = part.kind === 'balance-screw' && part.TDZ === thread ? numberOf(part, 'screwG') : undefined
    return massG === undefined ? [] : [{ part: part.id, massG, stock: balanceOf(db, part.id).hand }]
  })
}
