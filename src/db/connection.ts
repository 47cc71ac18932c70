import Database, { type Statement } from 'better-sqlite3'

export type Db = Database.Database

declare const writing: unique symbol
/** The database inside a write transaction: what every write asks for, and only a transaction gives. */
export type Tx = Db & { readonly [writing]: true }

/** How long a write waits for another program that has the database: everybody waits with it. */
const BUSY_MS = 100

/** Opens the file with write-ahead log and foreign keys; what was said to be saved is on the disk. */
export function openDatabase(file: string): Db {
  const db = new Database(file)
  db.pragma('journal_mode = WAL')
  db.pragma(`busy_timeout = ${BUSY_MS}`)
  db.pragma('foreign_keys = ON')
  db.pragma('synchronous = FULL')
  return db
}

/** One write transaction: all of it or nothing. */
export const inTransaction = <T>(db: Db, work: (tx: Tx) => T): T => db.transaction(() => work(db as Tx)).immediate()

const prepared = new WeakMap<Db, Map<string, Statement>>()

/** A statement, compiled once for each database. */
export function prepare(db: Db, sql: string): Statement {
  let known = prepared.get(db)
  if (!known) prepared.set(db, (known = new Map()))
  let statement = known.get(sql)
  if (!statement) known.set(sql, (statement = db.prepare(sql)))
  return statement
}

/** Whether an error is a broken uniqueness rule: somebody else was first. */
export const isTaken = (error: unknown): boolean =>
  error instanceof Database.SqliteError &&
  (error.code === 'SQLITE_CONSTRAINT_UNIQUE' || error.code === 'SQLITE_CONSTRAINT_PRIMARYKEY')

/** Why something cannot be saved that has nothing to do with what is saved. */
export type StorageFault = 'BUSY' | 'DISK_FULL' | 'READ_ONLY' | 'BROKEN_FILE' | 'OTHER_SCHEMA'

/** A database that another version of this program has written. */
export class OtherSchemaError extends Error {
  readonly code = 'OTHER_SCHEMA'
}

const FAULTS: readonly (readonly [RegExp, StorageFault])[] = [
  [/^SQLITE_(BUSY|LOCKED)/, 'BUSY'],
  [/^(SQLITE_FULL|ENOSPC|EDQUOT)/, 'DISK_FULL'],
  [/^(SQLITE_READONLY|SQLITE_PERM|SQLITE_CANTOPEN|EROFS|EACCES|EPERM|ENOTDIR)/, 'READ_ONLY'],
  [/^OTHER_SCHEMA$/, 'OTHER_SCHEMA'],
  [/^(SQLITE_CORRUPT|SQLITE_NOTADB|SQLITE_IOERR|EIO)/, 'BROKEN_FILE'],
]

/** @returns null where an error says nothing of the disk or the database file */
export function storageFault(error: unknown): StorageFault | null {
  const code = (error as { readonly code?: unknown } | null)?.code
  return typeof code === 'string' ? (FAULTS.find(([pattern]) => pattern.test(code))?.[1] ?? null) : null
}
