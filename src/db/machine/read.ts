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
