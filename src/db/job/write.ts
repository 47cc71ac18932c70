import type { HandTool, Job } from '@/core/plan'
import type { Db } from '../connection'

/** @param texts the programs' texts, in the order of `job.programs` */
export function insertJob(db: Db, job: Job, texts: readonly string[], createdAt: string): void {
  db.prepare(
    `INSERT INTO job (id, name, machine_key, due_at, quantity, priority, state, urgent_for, extra, mapping, created_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
    job.id,
    job.name,
    job.machine,
    job.dueAt,
    job.quantity,
    job.priority,
    job.state,
    job.urgentFor,
    JSON.stringify(job.extra),
    JSON.stringify(job.mapping),
    createdAt,
  )
  const add = db.prepare('INSERT INTO job_program (job_id, position, name, text, hash, program) VALUES (?, ?, ?, ?, ?, ?)')
  job.programs.forEach((p, i) => add.run(job.id, i + 1, p.name, texts[i], p.hash, JSON.stringify(p.program)))
}

export function setJobState(db: Db, id: string, state: Job['state']): void {
  db.prepare('UPDATE job SET state = ? WHERE id = ?').run(state, id)
}

/** What each T of it means, where somebody said so. */
export function setJobMapping(db: Db, id: string, mapping: Job['mapping']): void {
  db.prepare('UPDATE job SET mapping = ? WHERE id = ?').run(JSON.stringify(mapping), id)
}

export function setJobFacts(db: Db, { id, name, dueAt, quantity, priority }: Job): void {
  db.prepare('UPDATE job SET name = ?, due_at = ?, quantity = ?, priority = ? WHERE id = ?').run(
    name,
    dueAt,
    quantity,
    priority,
    id,
  )
}

export function setJobExtra(db: Db, id: string, extra: readonly HandTool[]): void {
  db.prepare('UPDATE job SET extra = ? WHERE id = ?').run(JSON.stringify(extra), id)
}
