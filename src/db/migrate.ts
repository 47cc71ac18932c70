import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { inTransaction, OtherSchemaError, type Db } from './connection'

/**
 * Brings the schema up to date. Migrations are numbered and never edited: what was applied must be a prefix of the
 * files, by name and by hash.
 * @returns the number of the newest migration
 * @throws when an applied migration is missing or was changed
 */
export function migrate(db: Db, folder: string): number {
  db.exec('CREATE TABLE IF NOT EXISTS migration (name TEXT PRIMARY KEY, hash TEXT NOT NULL, at TEXT NOT NULL) STRICT')
  const files = readdirSync(folder)
    .filter((name) => /^\d{4}-.*\.sql$/.test(name))
    .sort()
  const applied = db.prepare('SELECT name, hash FROM migration ORDER BY name').all() as { name: string; hash: string }[]
  files.forEach((name, i) => {
    const sql = readFileSync(join(folder, name), 'utf8')
    const hash = createHash('sha256').update(sql).digest('hex')
    const done = applied[i]
    if (done) {
      if (done.name !== name || done.hash !== hash)
        throw new OtherSchemaError(`Migration ${done.name} was applied but is not the file ${name} any more.`)
      return
    }
    inTransaction(db, () => {
      db.exec(sql)
      db.prepare('INSERT INTO migration (name, hash, at) VALUES (?, ?, ?)').run(name, hash, new Date().toISOString())
    })
  })
  if (applied.length > files.length)
    throw new OtherSchemaError(`The database is newer than this program: ${applied[files.length].name} is unknown.`)
  return files.length
}
