import { prepare, type Tx } from '../connection'
import type { BuildUnderWay, StopLesson } from './read'

type Body = Pick<BuildUnderWay, 'done' | 'extensions' | 'heat'>

/** @throws when somebody builds on this holder already */
export function insertBuild(
  tx: Tx,
  build: Pick<BuildUnderWay, 'job' | 't' | 'serial' | 'personId' | 'startedAt'> & Body,
): number {
  const body: Body = { done: build.done, extensions: build.extensions, heat: build.heat }
  const done = prepare(tx, 'INSERT INTO build (job_id, t, serial, body, person_id, started_at) VALUES (?, ?, ?, ?, ?, ?)').run(
    build.job,
    build.t,
    build.serial,
    JSON.stringify(body),
    build.personId,
    build.startedAt,
  )
  return Number(done.lastInsertRowid)
}

/** @returns false when somebody else was at it meanwhile */
export function updateBuild(tx: Tx, asRead: BuildUnderWay, change: Partial<Body>): boolean {
  const body: Body = { done: asRead.done, extensions: asRead.extensions, heat: asRead.heat, ...change }
  return (
    prepare(tx, 'UPDATE build SET body = ?, version = version + 1 WHERE id = ? AND version = ?').run(
      JSON.stringify(body),
      asRead.id,
      asRead.version,
    ).changes === 1
  )
}

/** @returns false when somebody else was at it meanwhile */
export const deleteBuild = (tx: Tx, asRead: Pick<BuildUnderWay, 'id' | 'version'>): boolean =>
  prepare(tx, 'DELETE FROM build WHERE id = ? AND version = ?').run(asRead.id, asRead.version).changes === 1

/** One lesson a tool: a second measurement of the same build replaces the first. */
export function putLesson(tx: Tx, assemblyId: number, holderComponent: string, lesson: StopLesson): void {
  prepare(
    tx,
    `INSERT INTO stop_lesson (assembly_id, holder_component, shank_mm, stop_set_mm, measured_mm, at) VALUES (?, ?, ?, ?, ?, ?)
     ON CONFLICT (assembly_id) DO UPDATE SET measured_mm = excluded.measured_mm, at = excluded.at`,
  ).run(assemblyId, holderComponent, lesson.shankMm, lesson.stopSetMm, lesson.measuredMm, lesson.at)
}

/** Whole, as it was written on the screen. @param seen the version that was changed, 0 where there was none. @returns false when somebody else was first */
export function putStepList(tx: Tx, clamping: string, body: unknown, asRead: number): boolean {
  const done =
    asRead === 0
      ? prepare(tx, 'INSERT INTO step_list (clamping, body) VALUES (?, ?) ON CONFLICT (clamping) DO NOTHING').run(
          clamping,
          JSON.stringify(body),
        )
      : prepare(tx, 'UPDATE step_list SET body = ?, version = version + 1 WHERE clamping = ? AND version = ?').run(
          JSON.stringify(body),
          clamping,
          asRead,
        )
  return done.changes === 1
}
