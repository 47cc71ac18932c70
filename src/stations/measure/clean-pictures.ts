import { fail, type Result } from '@/core/units'
import { listEvidenceInUse } from '@/db/measurement/read'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

export interface KeptPictures {
  list(): readonly { readonly place: string; readonly bytes: number; readonly at: string }[]
  drop(place: string): void
}

export interface Cleaned {
  readonly sets: number
  readonly bytes: number
}

/** Pictures younger than this are never cleaned away, days. */
export const LEAST_KEPT_DAYS = 7
const DAY_MS = 86_400_000

/** Cleans away pictures older than `keepDays`, but never those that a standing tool's figures rest on. */
export function cleanPictures(work: Work, pictures: KeptPictures, keepDays: number): Result<Cleaned, Refusal> {
  if (!(keepDays >= LEAST_KEPT_DAYS)) return fail({ code: 'TOO_YOUNG', days: LEAST_KEPT_DAYS })
  const used = listEvidenceInUse(work.db)
  const before = new Date(Date.parse(work.now) - keepDays * DAY_MS).toISOString()
  const old = pictures.list().filter((p) => p.at < before && !used.has(p.place))
  const bytes = old.reduce((sum, p) => sum + p.bytes, 0)
  for (const { place } of old) pictures.drop(place)
  const sets = old.length
  const noted = { entry: { code: 'PICTURES_CLEANED', sets, days: keepDays }, after: { places: old.map((p) => p.place) } } as const
  return write(work, noted, () => ({ sets, bytes }))
}
