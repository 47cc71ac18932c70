import type { Machine } from '@/core/tool'
import type { Db } from '../connection'

const machine = (row: unknown): Machine => JSON.parse((row as { body: string }).body) as Machine

export const listMachines = (db: Db): Machine[] => db.prepare('SELECT body FROM machine ORDER BY key').all().map(machine)

export function getMachine(db: Db, key: string): Machine | null {
  const row = db.prepare('SELECT body FROM machine WHERE key = ?').get(key)
  return row ? machine(row) : null
}

export function getPostTemplate(db: Db, name: string): string | null {
  const row = db.prepare('SELECT template FROM post WHERE name = ?').get(name) as { template: string } | undefined
  return row?.template ?? null
}

/** Names of all posts that are kept. */
export const listPosts = (db: Db): string[] =>
  (db.prepare('SELECT name FROM post ORDER BY name').all() as { name: string }[]).map((r) => r.name)
