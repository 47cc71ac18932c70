import type { Job } from '@/core/plan'
import type { Db } from '../connection'

export function insertJob(db: Db, job: Job, programText: string, createdAt: string): void {
  db.prepare(
    `INSERT INTO job (id, name, machine_key, due_at, program_name, program_text, program_hash, program, created_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)`,
  ).run(
    job.id,
    job.name,
    job.machine,
    job.dueAt,
    job.programName,
    programText,
    job.programHash,
    JSON.stringify(job.program),
    createdAt,
  )
}
