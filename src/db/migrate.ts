import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { inTransaction, OtherSchemaError, type Db } from './connection'

interface Migration {
  readonly name: string
  readonly hash: string
}

const filesIn = (folder: string): (Migration & { readonly sql: string })[] =>
  readdirSync(folder)
    .filter((name) => /^\d{4}-.*\.sql$/.test(name))
    .sort()
    .map((name) => {
      const sql = readFileSync(join(folder, name), 'utf8')
      return { name, sql, hash: createHash('sha256').update(sql).digest('hex') }
    })

/** Names of those that this program has, the oldest first. */
export const knownMigrations = (folder: string): string[] => filesIn(folder).map(({ name }) => name)

const appliedTo = (db: Db): Migration[] =>
  db.prepare("SELECT 1 FROM sqlite_master WHERE name = 'migration'").get()
    ? (db.prepare('SELECT name, hash FROM migration ORDER BY name').all() as Migration[])
    : []

/** Names of what a database went through, the oldest first; empty for a new one. */
export const migrationsOf = (db: Db): string[] => appliedTo(db).map(({ name }) => name)

/**
 * What is still to be done. Migrations are numbered and never edited: what was applied must be a prefix of the files, by name and by hash.
 * @throws OtherSchemaError when an applied migration is missing or was changed
 */
function pending(db: Db, folder: string) {
  const files = filesIn(folder)
  const applied = appliedTo(db)
  applied.forEach(({ name, hash }, i) => {
    const file = files.at(i)
    if (!file) throw new OtherSchemaError(`The database is newer than this program: ${name} is unknown.`)
    if (file.name !== name || file.hash !== hash)
      throw new OtherSchemaError(`Migration ${name} was applied but is not the file ${file.name} any more.`)
  })
  return { files, left: files.slice(applied.length), fresh: applied.length === 0 }
}

/**
 * Name of the first migration that a database in use still needs; null where there is nothing to do, or nothing in it yet.
 * @throws OtherSchemaError
 */
export function nextMigration(db: Db, folder: string): string | null {
  const { left, fresh } = pending(db, folder)
  return fresh ? null : (left.at(0)?.name ?? null)
}

/**
 * Brings the schema up to date.
 * @returns the number of the newest migration
 * @throws OtherSchemaError
 */
export function migrate(db: Db, folder: string): number {
  const { files, left } = pending(db, folder)
  db.exec('CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, hash TEXT NOT NULL, at TEXT NOT NULL) STRICT')
  for (const { name, sql, hash } of left)
    inTransaction(db, () => {
      db.exec(sql)
      db.prepare('INSERT INTO migration (name, hash, at) VALUES (?, ?, ?)').run(name, hash, new Date().toISOString())
    })
  return files.length
}
