/** A copy of the whole database as it was at one moment, while everybody goes on writing; looked through before it counts. */
import Database from 'better-sqlite3'
import { closeSync, fsyncSync, openSync, renameSync, rmSync, statSync } from 'node:fs'
import { fail, ok, type Result } from '@/core/units'
import { storageFault, type Db, type StorageFault } from './connection'
import { migrationsOf } from './migrate'
import { headsOf, type Heads } from './record/heads'

export interface Snapshot {
  readonly bytes: number
  /** Names of the migrations that it went through. */
  readonly migrations: readonly string[]
  /** Where record and seals ended at that moment. */
  readonly heads: Heads
}

/** A copy that is not what was copied. */
export class BrokenSnapshotError extends Error {
  readonly code = 'SQLITE_CORRUPT'
}

/**
 * The same at once, before anybody works: from a database that is open already.
 * @throws what the disk says, and BrokenSnapshotError
 */
export function copyNow(db: Db, to: string): void {
  const part = `${to}.part`
  try {
    rmSync(part, { force: true })
    db.prepare('VACUUM INTO ?').run(part)
    readSnapshot(part)
    synced(part)
    renameSync(part, to)
  } finally {
    rmSync(part, { force: true })
  }
}

function synced(path: string): void {
  const file = openSync(path, 'r')
  fsyncSync(file)
  closeSync(file)
}

/** The same for a thread, whose errors lose their codes on the way. */
export async function trySnapshot(from: string, to: string): Promise<Result<Snapshot, StorageFault>> {
  try {
    return ok(await takeSnapshot(from, to))
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return fail(fault)
    throw error
  }
}

/** Every page at once: whoever writes in between makes it begin anew, and nobody can for so short a time. */
const ALL_PAGES = 0x7fffffff

/**
 * @param to is there as a whole, checked and on the disk, or not at all
 * @throws what the disk says, and BrokenSnapshotError
 */
export async function takeSnapshot(from: string, to: string): Promise<Snapshot> {
  const part = `${to}.part`
  const source = new Database(from, { readonly: true, fileMustExist: true })
  try {
    rmSync(part, { force: true })
    await source.backup(part, { progress: () => ALL_PAGES })
    const taken = readSnapshot(part)
    synced(part)
    renameSync(part, to)
    return taken
  } finally {
    source.close()
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(part + end, { force: true })
  }
}

/**
 * Looks through a copy, page by page, and makes one file of it.
 * @throws BrokenSnapshotError
 */
export function readSnapshot(file: string): Snapshot {
  const copy = new Database(file, { fileMustExist: true })
  try {
    copy.pragma('journal_mode = DELETE')
    const said = copy.pragma('integrity_check(1)', { simple: true })
    if (said !== 'ok') throw new BrokenSnapshotError(String(said))
    return { bytes: statSync(file).size, migrations: migrationsOf(copy), heads: headsOf(copy) }
  } finally {
    copy.close()
  }
}

/** Whether somebody has the database open. Where nobody has, everything is in the one file afterwards. */
export function isInUse(file: string): boolean {
  const db = new Database(file, { fileMustExist: true, timeout: 100 })
  try {
    return db.pragma('journal_mode = DELETE', { simple: true }) !== 'delete'
  } catch (error) {
    const fault = storageFault(error)
    // one that is broken is what somebody wants to replace
    if (fault === 'BUSY' || fault === 'BROKEN_FILE') return fault === 'BUSY'
    throw error
  } finally {
    db.close()
  }
}
