import type { Machine } from '@/core/tool'
import { prepare, type Db } from '../connection'

const machine = (row: unknown): Machine => {
  const { body, version } = row as { body: string; version: number }
  return { ...(JSON.parse(body) as Machine), version }
}

export const listMachines = (db: Db): Machine[] =>
  prepare(db, 'SELECT body, version FROM machine ORDER BY key').all().map(machine)

export function getMachine(db: Db, key: string): Machine | null {
  const row = prepare(db, 'SELECT body, version FROM machine WHERE key = ?').get(key)
  return row ? machine(row) : null
}

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
