import type { Job } from '@/core/plan'
import { prepare, type Tx } from '../connection'

/** A job as it comes in: nobody has changed it yet. */
export type NewJob = Omit<Job, 'version'>

/** @param texts the programs' texts, in the order of `job.programs` */
export function insertJob(tx: Tx, job: NewJob, texts: readonly string[], createdAt: string): void {
  prepare(
    tx,
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
  const add = prepare(tx, 'INSERT INTO job_program (job_id, position, name, text, hash, program) VALUES (?, ?, ?, ?, ?, ?)')
  job.programs.forEach((p, i) => add.run(job.id, i + 1, p.name, texts[i], p.hash, JSON.stringify(p.program)))
}

/** What of a job may change; its programs stay. */
export type JobChange = Partial<Pick<Job, 'name' | 'dueAt' | 'quantity' | 'priority' | 'state' | 'mapping' | 'extra'>>

/** @returns false when somebody else has changed it since it was read */
export function updateJob(tx: Tx, asRead: Job, change: JobChange): boolean {
  const { id, version, name, dueAt, quantity, priority, state, mapping, extra } = { ...asRead, ...change }
  return (
    prepare(
      tx,
      `UPDATE job SET name = :name, due_at = :dueAt, quantity = :quantity, priority = :priority, state = :state, mapping = :mapping, extra = :extra,
         version = version + 1 WHERE id = :id AND version = :version`,
    ).run({ id, version, name, dueAt, quantity, priority, state, mapping: JSON.stringify(mapping), extra: JSON.stringify(extra) })
      .changes === 1
  )
}
