/** What Build shows. */
import type { Db } from '@/db/connection'
import { lyingOf } from '@/db/stock/read'
import { readBuild, type BuildSheet } from './build-sheet'

export interface BuildPage extends BuildSheet {
  /** Where each part lies, by its number. */
  readonly places: ReadonlyMap<string, readonly string[]>
}

/** @returns null when the job does not want this T, or it has no definition */
export function readBuildPage(db: Db, job: string, t: number, serial: string | null, now: string): BuildPage | null {
  const sheet = readBuild(db, job, t, serial, now)
  if (!sheet) return null
  const places = sheet.parts.map(({ component: { id } }) => [id, lyingOf(db, id).flatMap((l) => l.place ?? [])] as const)
  return { ...sheet, places: new Map(places) }
}
