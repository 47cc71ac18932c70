import type { HandTool, Job, JobProgram } from '@/core/plan'
import type { ProgramTools } from '@/core/program'
import { prepare, type Db } from '../connection'

interface JobRow {
  id: string
  name: string
  machine_key: string
  due_at: string
  quantity: number
  priority: number
  state: Job['state']
  urgent_for: string | null
  extra: string
  mapping: string
  version: number
}

const COLUMNS = 'id, name, machine_key, due_at, quantity, priority, state, urgent_for, extra, mapping, version'

function programsOf(db: Db, id: string): JobProgram[] {
  const rows = prepare(db, 'SELECT name, hash, program FROM job_program WHERE job_id = ? ORDER BY position').all(id)
  return (rows as { name: string; hash: string; program: string }[]).map((r) => ({
    name: r.name,
    hash: r.hash,
    program: JSON.parse(r.program) as ProgramTools,
  }))
}

const jobOf = (db: Db, row: unknown): Job => {
  const r = row as JobRow
  return {
    id: r.id,
    name: r.name,
    machine: r.machine_key,
    dueAt: r.due_at,
    quantity: r.quantity,
    priority: r.priority,
    state: r.state,
    urgentFor: r.urgent_for,
    programs: programsOf(db, r.id),
    extra: JSON.parse(r.extra) as HandTool[],
    mapping: JSON.parse(r.mapping) as Job['mapping'],
    version: r.version,
  }
}

/** Open jobs, what is needed now before everything. */
export const listJobs = (db: Db): Job[] =>
  prepare(db, `SELECT ${COLUMNS} FROM job WHERE state = 'open' ORDER BY priority DESC, due_at, id`)
    .all()
    .map((row) => jobOf(db, row))

/** Jobs that are over, the newest first. */
export const listPastJobs = (db: Db): Job[] =>
  prepare(db, `SELECT ${COLUMNS} FROM job WHERE state <> 'open' ORDER BY due_at DESC LIMIT 100`)
    .all()
    .map((row) => jobOf(db, row))

export function getJob(db: Db, id: string): Job | null {
  const row = prepare(db, `SELECT ${COLUMNS} FROM job WHERE id = ? COLLATE NOCASE`).get(id)
  return row ? jobOf(db, row) : null
}

export interface ProgramUse {
  readonly name: string
  readonly hash: string
  readonly program: ProgramTools
  /** Every job that ran it, the newest first. */
  readonly jobs: readonly { readonly id: string; readonly machine: string; readonly state: Job['state'] }[]
}

/** Every NC program there is or was, by its hash: a changed program is another one. */
export function listNcPrograms(db: Db): ProgramUse[] {
  const rows = prepare(
    db,
    `SELECT p.name, p.hash, p.program, j.id, j.machine_key AS machine, j.state
       FROM job_program p JOIN job j ON j.id = p.job_id ORDER BY p.name, p.hash, j.due_at DESC`,
  ).all() as { name: string; hash: string; program: string; id: string; machine: string; state: Job['state'] }[]
  const programs = new Map<string, ProgramUse & { jobs: ProgramUse['jobs'][number][] }>()
  for (const { id, machine, state, ...p } of rows) {
    const known = programs.get(p.hash) ?? { name: p.name, hash: p.hash, program: JSON.parse(p.program) as ProgramTools, jobs: [] }
    known.jobs.push({ id, machine, state })
    programs.set(p.hash, known)
  }
  return [...programs.values()]
}

export const countUrgent = (db: Db): number =>
  (prepare(db, 'SELECT count(*) AS n FROM job WHERE urgent_for IS NOT NULL').get() as { n: number }).n

/** The programs of a job as they were dropped, in their order. */
export const listProgramTexts = (db: Db, id: string): string[] =>
  (prepare(db, 'SELECT text FROM job_program WHERE job_id = ? ORDER BY position').all(id) as { text: string }[]).map(
    (r) => r.text,
  )
