import type { Machine } from '@/core/tool'
import { prepare, type Db } from '../connection'

const machine = (row: unknown): Machine => {
  const { body, version } = row as { body: string; version: number }
  return { ...(JSON.parse(body) as Machine), version }
}

/** Machines that are in use. */
export const listMachines = (db: Db): Machine[] =>
  prepare(db, 'SELECT body, version FROM machine WHERE retired = 0 ORDER BY key').all().map(machine)

/** Those that were retired too, at the end. */
export const listAllMachines = (db: Db): { readonly machine: Machine; readonly retired: boolean }[] =>
  prepare(db, 'SELECT body, version, retired FROM machine ORDER BY retired, key')
    .all()
    .map((row) => ({ machine: machine(row), retired: (row as { retired: number }).retired === 1 }))

/** @returns null for one that is out of use, too: nothing new is made for it */
export function getMachine(db: Db, key: string): Machine | null {
  const row = prepare(db, 'SELECT body, version FROM machine WHERE key = ? AND retired = 0').get(key)
  return row ? machine(row) : null
}

/** One that is out of use as well: for what was made for it before. */
export function getAnyMachine(db: Db, key: string): Machine | null {
  const row = prepare(db, 'SELECT body, version FROM machine WHERE key = ?').get(key)
  return row ? machine(row) : null
}

/** Tools that stand in it, tools that were handed over for it and wait, jobs that are open. */
export const countAtMachine = (db: Db, key: string) =>
  prepare(
    db,
    `SELECT
      (SELECT count(*) FROM assembly WHERE machine_key = :key AND state = 'loaded') AS loaded,
      (SELECT count(*) FROM handover h JOIN assembly a ON a.id = h.assembly_id
        WHERE h.machine_key = :key AND h.voided_at IS NULL AND a.state = 'released') AS handedOver,
      (SELECT count(*) FROM job WHERE machine_key = :key AND state = 'open') AS jobs`,
  ).get({ key }) as { readonly loaded: number; readonly handedOver: number; readonly jobs: number }

export interface PostRead {
  readonly name: string
  readonly template: string
  readonly version: number
}

/** A post that is kept; null where the standard one counts. */
export const getPost = (db: Db, name: string): PostRead | null =>
  (prepare(db, 'SELECT name, template, version FROM post WHERE name = ?').get(name) as PostRead | undefined) ?? null

export const getPostTemplate = (db: Db, name: string): string | null => getPost(db, name)?.template ?? null

/** Names of all posts that are kept. */
export const listPosts = (db: Db): string[] =>
  (prepare(db, 'SELECT name FROM post ORDER BY name').all() as { name: string }[]).map((r) => r.name)
