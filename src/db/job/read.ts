import type { Job } from '@/core/plan'
import type { ProgramTools } from '@/core/program'
import type { Db } from '../connection'

interface JobRow {
  id: string
  name: string
  machine_key: string
  due_at: string
  program_name: string
  program_hash: string
  program: string
}

const COLUMNS = 'id, name, machine_key, due_at, program_name, program_hash, program'

const job = (row: unknown): Job => {
  const r = row as JobRow
  return {
    id: r.id,
    name: r.name,
    machine: r.machine_key,
    dueAt: r.due_at,
    programName: r.program_name,
    programHash: r.program_hash,
    program: JSON.parse(r.program) as ProgramTools,
  }
}

export const listJobs = (db: Db): Job[] => db.prepare(`SELECT ${COLUMNS} FROM job ORDER BY due_at, id`).all().map(job)

export function getJob(db: Db, id: string): Job | null {
  const row = db.prepare(`SELECT ${COLUMNS} FROM job WHERE id = ? COLLATE NOCASE`).get(id)
  return row ? job(row) : null
}
