import type { Heat } from '@/core/tool'
import { prepare, type Db } from '../connection'

/** A build under way: what was done so far, so that anyone can go on with it. */
export interface BuildUnderWay {
  readonly id: number
  readonly job: string
  readonly t: number
  readonly serial: string
  readonly personId: string
  readonly who: string
  readonly startedAt: string
  readonly version: number
  /** Ids of steps that are done, and of ticks inside a step (`seat-3`). */
  readonly done: readonly string[]
  /** Serials of extensions that are in it, by component. */
  readonly extensions: Readonly<Record<string, string>>
  /** As the unit said it. */
  readonly heat: Heat | null
}

interface BuildRow {
  id: number
  job_id: string
  t: number
  serial: string
  person_id: string
  who: string
  started_at: string
  version: number
  body: string
}

const build = (row: unknown): BuildUnderWay => {
  const r = row as BuildRow
  const { done, extensions, heat } = JSON.parse(r.body) as Pick<BuildUnderWay, 'done' | 'extensions' | 'heat'>
  return {
    id: r.id,
    job: r.job_id,
    t: r.t,
    serial: r.serial,
    personId: r.person_id,
    who: r.who,
    startedAt: r.started_at,
    version: r.version,
    done,
    extensions,
    heat,
  }
}
const BUILDS = 'SELECT b.*, p.name AS who FROM build b JOIN person p ON p.id = b.person_id'

export const listBuilds = (db: Db): BuildUnderWay[] => prepare(db, `${BUILDS} ORDER BY b.started_at`).all().map(build)

export function buildOn(db: Db, serial: string): BuildUnderWay | null {
  const row = prepare(db, `${BUILDS} WHERE b.serial = ?`).get(serial)
  return row ? build(row) : null
}

export const buildsOf = (db: Db, job: string, t: number): BuildUnderWay[] =>
  prepare(db, `${BUILDS} WHERE b.job_id = ? AND b.t = ? ORDER BY b.started_at`).all(job, t).map(build)

export interface StopLesson {
  readonly shankMm: number
  readonly stopSetMm: number
  readonly measuredMm: number
  readonly at: string
}

/** What builds of a holder type taught about the stop, newest first. */
export const listLessons = (db: Db, holderComponent: string): StopLesson[] =>
  prepare(
    db,
    `SELECT shank_mm AS shankMm, stop_set_mm AS stopSetMm, measured_mm AS measuredMm, at
       FROM stop_lesson WHERE holder_component = ? ORDER BY at DESC LIMIT 50`,
  ).all(holderComponent) as StopLesson[]

/** What all builds taught about stops, the newest first. */
export const listAllLessons = (db: Db, limit: number): (StopLesson & { readonly holder: string })[] =>
  prepare(
    db,
    `SELECT holder_component AS holder, shank_mm AS shankMm, stop_set_mm AS stopSetMm, measured_mm AS measuredMm, at
       FROM stop_lesson ORDER BY at DESC LIMIT ?`,
  ).all(limit) as (StopLesson & { readonly holder: string })[]

/** The shop's own steps of a clamping as they were written; null where what ships counts. */
export function getStepList(db: Db, clamping: string): { readonly body: unknown; readonly version: number } | null {
  const row = prepare(db, 'SELECT body, version FROM step_list WHERE clamping = ?').get(clamping) as
    { body: string; version: number } | undefined
  return row ? { body: JSON.parse(row.body) as unknown, version: row.version } : null
}
