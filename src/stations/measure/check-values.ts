import { isOverdue, judgeDrift, NO_ZERO, type DriftVerdict, type Master, type Zero } from '@/core/judge'
import type { Coupling } from '@/core/tool'
import type { Result } from '@/core/units'
import { lastCheckOf, listMasters, overruleAt } from '@/db/bench/read'
import { insertCheck } from '@/db/bench/write'
import type { Db } from '@/db/connection'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser, write } from '../write'

/** A bench whose values are typed or come over a line: its master check counts as that of the bench with the camera. */
export interface ValuesBench {
  readonly master: Master | null
  /** Why its master must be measured first; null when it need not. */
  readonly due: 'never' | 'shift' | null
  /** What its last check read off the certificate, mm: as uncertain is what it measures. */
  readonly drift: Zero
  readonly overruled: boolean
}

/** Which bench without a camera was checked: each taper by itself, and each gauge of a terminal by itself. @param gauge its address; null: of the shop */
const nameOf = (coupling: Coupling, gauge: string | null) => `values ${coupling}${gauge === null ? '' : ` at ${gauge}`}`

export function readValuesBench(db: Db, coupling: Coupling, now: string, gauge: string | null = null): ValuesBench {
  const check = lastCheckOf(db, nameOf(coupling, gauge), 'values')
  const old = check !== null && isOverdue(check, now, practiceOf(db).checkHours)
  return {
    master: listMasters(db).find((m) => m.coupling === coupling) ?? null,
    due: check === null ? 'never' : old ? 'shift' : null,
    drift: check?.drift ?? NO_ZERO,
    overruled: overruleAt(db, now) !== null,
  }
}

/** Why values of that bench may not be saved now; null when they may. */
export function valuesHeldBack({ due, overruled, master }: ValuesBench): Refusal | null {
  if (due === null || overruled) return null
  return { code: 'VALUES_MASTER_DUE', due, master: master?.mark ?? null }
}

export interface ValuesCheck {
  readonly coupling: Coupling
  /** The mark on the master. */
  readonly scanned: string
  /** What the other bench reads of it, mm. */
  readonly LFmm: number
  readonly DCmm: number
}

/** Keeps what the other bench reads of the master; too far from its certificate is refused. */
export function saveValuesCheck(
  work: Work,
  given: ValuesCheck,
  gauge: string | null = null,
): Result<{ readonly verdict: DriftVerdict }, Refusal> {
  const { master } = readValuesBench(work.db, given.coupling, work.now, gauge)
  const refuse = refuser(work, 'Masters')
  if (!master) return refuse({ code: 'NO_MASTER', coupling: given.coupling })
  if (given.scanned !== master.mark) return refuse({ code: 'OTHER_MASTER', scanned: given.scanned, master: master.mark })
  if (master.calibratedUntil < work.now.slice(0, 10))
    return refuse({ code: 'MASTER_EXPIRED', master: master.mark, until: master.calibratedUntil })
  const drift = { x: (given.DCmm - master.DCmm) / 2, z: given.LFmm - master.LFmm }
  const verdict = judgeDrift(drift)
  if (verdict === 'too far') return refuse({ code: 'TOO_FAR', bench: 'other' })
  const entry = { code: 'OTHER_BENCH_CHECKED', master: master.mark, verdict } as const
  return write(work, { entry, after: drift }, (tx) => {
    insertCheck(tx.db, {
      masterId: master.id,
      coupling: given.coupling,
      adapter: nameOf(given.coupling, gauge),
      bench: 'values',
      at: tx.now,
      personId: tx.person.id,
      drift,
      zero: NO_ZERO,
      evidence: null,
      reason: null,
    })
    return { verdict }
  })
}
