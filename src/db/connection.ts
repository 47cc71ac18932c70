import Database from 'better-sqlite3'

export type Db = Database.Database

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
export const inTransaction = <T>(db: Db, work: () => T): T => db.transaction(work).immediate()

/** Whether an error is a broken uniqueness rule: somebody else was first. */
export const isTaken = (error: unknown): boolean =>
  error instanceof Database.SqliteError &&
  (error.code === 'SQLITE_CONSTRAINT_UNIQUE' || error.code === 'SQLITE_CONSTRAINT_PRIMARYKEY')
