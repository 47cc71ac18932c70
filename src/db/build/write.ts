import type { Db } from '../connection'
import type { BuildUnderWay, StopLesson } from './read'

type Body = Pick<BuildUnderWay, 'done' | 'extensions' | 'heat'>

/** @throws when somebody builds on this holder already */
export function insertBuild(
  db: Db,
  build: Pick<BuildUnderWay, 'job' | 't' | 'serial' | 'personId' | 'startedAt'> & Body,
): number {
  const body: Body = { done: build.done, extensions: build.extensions, heat: build.heat }
  const done = db
    .prepare('INSERT INTO build (job_id, t, serial, body, person_id, started_at) VALUES (?, ?, ?, ?, ?, ?)')
    .run(build.job, build.t, build.serial, JSON.stringify(body), build.personId, build.startedAt)
  return Number(done.lastInsertRowid)
}

/** @returns false when somebody else was at it meanwhile */
export function updateBuild(db: Db, seen: BuildUnderWay, change: Partial<Body>): boolean {
  const body: Body = { done: seen.done, extensions: seen.extensions, heat: seen.heat, ...change }
  return (
    db
      .prepare('UPDATE build SET body = ?, version = version + 1 WHERE id = ? AND version = ?')
      .run(JSON.stringify(body), seen.id, seen.version).changes === 1
  )
}

export function deleteBuild(db: Db, id: number): void {
  db.prepare('DELETE FROM build WHERE id = ?').run(id)
}

/** One lesson a tool: a second measurement of the same build replaces the first. */
export function putLesson(db: Db, assemblyId: number, holderComponent: string, lesson: StopLesson): void {
  db.prepare(
    `INSERT INTO stop_lesson (assembly_id, holder_component, shank_mm, stop_set_mm, measured_mm, at) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (assembly_id) DO UPDATE SET measured_mm = excluded.measured_mm, at = excluded.at`,
  ).run(assemblyId, holderComponent, lesson.shankMm, lesson.stopSetMm, lesson.measuredMm, lesson.at)
}

export function putStepList(db: Db, clamping: string, body: unknown): void {
  db.prepare(
    'INSERT INTO step_list (clamping, body) VALUES (?, ?) ON CONFLICT (clamping) DO UPDATE SET body = excluded.body',
  ).run(clamping, JSON.stringify(body))
}
