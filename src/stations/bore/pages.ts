import { ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getAssembly } from '@/db/assembly/read'
import { getMachine } from '@/db/machine/read'
import type { Refusal } from '../refusals'
import { afterBore, readBore } from './bore-sheet'
import type { BoreView } from './contract'

/** What is left for a test cut, mm on diameter (common practice, no source). */
const LEAVE_MM = 0.127

/** What the sheet shows; refusals not yet in words. */
export type BoreRead = Omit<BoreView, 'refusal' | 'fault'> & { readonly refusal: Refusal | null; readonly fault: Refusal | null }

/** @errors where there is no tool on the holder */
export function readBoreView(db: Db, serial: string): Result<BoreRead, Refusal> {
  const sheet = readBore(db, serial)
  const assembly = getAssembly(db, serial)
  if (!assembly) return { ok: false, error: { code: 'UNKNOWN_SERIAL', serial } }
  const machine = assembly.machine ? (getMachine(db, assembly.machine)?.name ?? null) : null
  const tool = { serial, t: assembly.t, name: assembly.name, machine }
  const start = { wantedMm: null, noseMm: null, leaveMm: LEAVE_MM }
  if (!sheet.ok)
    return ok({
      ...{ ...tool, refusal: sheet.error, head: null, start, limits: null, learned: { share: 1, moves: 0 } },
      ...{ lines: [], next: { type: 'first' }, fault: null, version: 0 },
    })
  const { head, part, limits, learned, settings, insertNoseMm, version } = sheet.value
  const next = afterBore(sheet.value)
  const { seat, ...known } = head
  return ok({
    ...tool,
    refusal: null,
    head: { ...known, name: part.name, countsNose: seat !== null },
    start: { ...start, wantedMm: limits && (limits.min + limits.max) / 2, noseMm: insertNoseMm },
    limits,
    learned,
    lines: settings.map(({ at, who, dialMm, expectedMm, boreMm }) => ({
      ...{ at, who, dialMm, expectedMm, boreMm, divisions: dialMm / head.divisionMm },
    })),
    next: settings.length === 0 ? { type: 'first' } : next === null ? { type: 'cut' } : next.ok ? next.value : { type: 'first' },
    fault: next && !next.ok ? next.error : null,
    version,
  })
}
