import Database, { type Statement } from 'better-sqlite3'

export type Db = Database.Database

declare const writing: unique symbol
/** The database inside a write transaction: what every write asks for, and only a transaction gives. */
export type Tx = Db & { readonly [writing]: true }

/** Opens the file with write-ahead log, foreign keys and a wait of 5 s for another writer. */
export function openDatabase(file: string): Db {
  const db = new Database(file)
  db.pragma('journal_mode = WAL')
  db.pragma('busy_timeout = 5000')
  db.pragma('foreign_keys = ON')
  db.pragma('synchronous = NORMAL')
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
