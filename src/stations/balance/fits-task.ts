import type { FitsTask } from '@/core/balance'
import { numberOf } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listComponents } from '@/db/library/read'
import { balanceOf } from '@/db/stock/read'
import { practiceOf } from '../practice'
import { presentRound, type BalanceSheet } from './balance-sheet'

/** What a correction is computed from; null where nothing was found yet. */
export function fitsTask(db: Db, sheet: BalanceSheet): FitsTask | null {
  const { tool, wanted, provision, has } = sheet
  const present = presentRound(sheet)
  if (!tool || !wanted || !present) return null
  const { found, influence } = present
  const { balanceBitMm: diameterMm, balancePointDeg: pointDeg } = practiceOf(db)
  return {
    spread: { zMm: influence.zMm, at: found.planes },
    sigmaGmm: Math.max(...found.sigma),
    tool,
    wanted,
    provision,
    has,
    drawer: drawerFor(db, provision.thread),
    bit: { diameterMm, pointDeg },
  }
}

/** Balancing screws that fit a thread, with how many are at hand. */
export function drawerFor(db: Db, thread: string | null): FitsTask['drawer'] {
  if (thread === null) return []
  return listComponents(db).flatMap((part) => {
    const massG = part.kind === 'balance-screw' && part.TDZ === thread ? numberOf(part, 'screwG') : undefined
    return massG === undefined ? [] : [{ part: part.id, massG, stock: balanceOf(db, part.id).hand }]
  })
}
