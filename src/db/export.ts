/** All tables as plain data, for whoever goes on without Boulder. */
import Database from 'better-sqlite3'
import type { Db } from './connection'

/** What nobody needs or may see outside: truths of stand-ins, who sits at which terminal, indexes that can be made again. */
const LEFT_OUT = /^(sqlite_|sim_|record_words|record_proof$|session$|sign_in_try$|claim$)/
const SECRET: Readonly<Record<string, readonly string[]>> = { person: ['pin'], client: ['hash'], hook: ['secret'] }

export interface ExportedTable {
  readonly name: string
  /** One row after the other; what is kept as JSON is JSON again. */
  rows(): Generator<Readonly<Record<string, unknown>>>
}

/** Reads a database in which a server may be at work: all tables are as they were at one moment. */
export function atOneMoment<T>(file: string, read: (tables: readonly ExportedTable[]) => T): T {
  const db = new Database(file, { readonly: true })
  try {
    db.exec('BEGIN')
    return read(exportedTables(db))
  } finally {
    db.close()
  }
}

/** Every table that a shop's own is in, by name. */
export function exportedTables(db: Db): ExportedTable[] {
  const tables = db.prepare("SELECT name, sql FROM sqlite_master WHERE type = 'table' ORDER BY name").all() as readonly {
    readonly name: string
    readonly sql: string
  }[]
  return tables
    .filter(({ name }) => !LEFT_OUT.test(name))
    .map(({ name, sql }) => {
      const nested = [...sql.matchAll(/json_valid\((\w+)\)/g)].map(([, column]) => column)
      const secret = SECRET[name] ?? []
      return {
        name,
        *rows() {
          const all = db.prepare(`SELECT * FROM "${name}"`).iterate() as Iterable<Record<string, unknown>>
          for (const row of all) {
            for (const column of secret) delete row[column]
            for (const column of nested) {
              const value = row[column]
              if (typeof value === 'string') row[column] = JSON.parse(value)
            }
            yield row
          }
        },
      }
    })
}
