/** Copies of the database that are taken every hour and thinned out: what an accident costs is an hour at most. */
import 'server-only'
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { outdated, USUAL_ROTATION } from '@/core/backup'
import { fail, ok, type Result } from '@/core/units'
import { storageFault, type Db, type StorageFault } from '@/db/connection'
import { copyNow, type Snapshot } from '@/db/snapshot'
import { freeBytes } from './storage-state'

const EVERY_MS = 3_600_000
/** Below this much room beside the copy itself none is taken: what is worked with comes first. */
const LEAST_FREE_BYTES = 256 * 2 ** 20
/** Copies from before a change of the tables; the last so many are kept. */
const BEFORE_KEPT = 5

export interface Kept {
  readonly file: string
  readonly atMs: number
  readonly bytes: number
  /** The migration before which it was taken; null for one of the hourly. */
  readonly before: string | null
}

export interface Snapshots {
  readonly folder: string
  /** The newest first. */
  list(): readonly Kept[]
  /** Whether the last is an hour old. */
  isDue(nowMs: number): boolean
  /** Takes one, checks it, and clears away what is not kept any more. */
  take(nowMs: number): Promise<Result<Kept, StorageFault>>
}

const NAME = /^(?:before-(\d{4})-)?(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d)Z\.sqlite$/

const HALF = /\.sqlite\.part(-\w+)?$/

const nameOf = (atMs: number, before: string | null): string =>
  `${before === null ? '' : `before-${before.slice(0, 4)}-`}${new Date(atMs).toISOString().slice(0, 19).replace(/:/g, '-')}Z.sqlite`

/** Copies a database before its tables are changed; the change waits for it. @throws what the disk says */
export function copyBefore(db: Db, folder: string, migration: string, nowMs: number): void {
  mkdirSync(folder, { recursive: true })
  copyNow(db, join(folder, nameOf(nowMs, migration)))
}

function kept(folder: string, name: string): Kept[] {
  const [, before, at] = NAME.exec(name) ?? []
  const stat = at === undefined ? undefined : statSync(join(folder, name), { throwIfNoEntry: false })
  if (at === undefined || !stat) return []
  const atMs = Date.parse(`${at.slice(0, 11)}${at.slice(11).replace(/-/g, ':')}Z`)
  return [{ file: join(folder, name), atMs, bytes: stat.size, before: before ?? null }]
}

/** @param copy takes a copy of the database; in a thread, so that nobody waits */
export function snapshotsIn(
  folder: string,
  database: string,
  copy: (from: string, to: string) => Promise<Result<Snapshot, StorageFault>>,
): Snapshots {
  const list = (): Kept[] => {
    if (!existsSync(folder)) return []
    return readdirSync(folder)
      .flatMap((name) => kept(folder, name))
      .sort((a, b) => b.atMs - a.atMs)
  }
  const clear = (nowMs: number) => {
    const all = list()
    const hourly = all.filter(({ before }) => before === null)
    const gone = outdated(
      hourly.map(({ atMs }) => atMs),
      nowMs,
      USUAL_ROTATION,
    ).map((i) => hourly[i])
    for (const { file } of [...gone, ...all.filter(({ before }) => before !== null).slice(BEFORE_KEPT)])
      rmSync(file, { force: true })
  }
  return {
    folder,
    list,
    isDue: (nowMs) => !list().some(({ before, atMs }) => before === null && atMs <= nowMs && nowMs - atMs < EVERY_MS),
    async take(nowMs) {
      try {
        mkdirSync(folder, { recursive: true })
        // what a process that died was at
        for (const name of readdirSync(folder)) if (HALF.test(name)) rmSync(join(folder, name), { force: true })
        if (freeBytes(folder) < statSync(database).size + LEAST_FREE_BYTES) return fail('DISK_FULL')
        const name = nameOf(nowMs, null)
        const copied = await copy(database, join(folder, name))
        if (!copied.ok) return copied
        clear(nowMs)
        return ok(kept(folder, name)[0])
      } catch (error) {
        const fault = storageFault(error)
        if (fault) return fail(fault)
        throw error
      }
    },
  }
}
