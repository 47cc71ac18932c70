/** A backup of everything that a shop keeps, made while it works; and the way back. */
import 'server-only'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { dirname, join, relative, sep } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { readBackup, writeBackup, type BackupEntry, type BackupHead } from '@/codecs/backup-file'
import type { RestoreFault } from '@/core/backup'
import { fail, ok, type Result } from '@/core/units'
import { isInUse, readSnapshot, takeSnapshot } from '@/db/snapshot'
import { knownMigrations } from '@/db/migrate'
import { synced } from './folders'

/** What a shop keeps: its database, the ends of its record, pictures and drawings. Labels and files for machines are made again. */
const DATABASE = 'boulder.sqlite'
const KEPT = [DATABASE, 'record.heads', 'evidence', 'drawings'] as const
/** What a broken database may leave beside itself: it goes with it, or it would be taken for the restored one's. */
const BESIDE = [`${DATABASE}-wal`, `${DATABASE}-shm`] as const

export interface Made {
  readonly file: string
  readonly bytes: number
  readonly files: number
  readonly head: Pick<BackupHead, 'madeAt' | 'heads'>
}

/** Files under a folder, one after the other; one that was cleaned away meanwhile is left out. */
function* filesIn(folder: string, name: string): Generator<BackupEntry> {
  const path = join(folder, name)
  if (!existsSync(path)) return
  if (!statSync(path).isDirectory()) return yield* entryOf(folder, path)
  for (const found of readdirSync(path, { recursive: true, withFileTypes: true }))
    if (found.isFile() && !found.name.startsWith('.')) yield* entryOf(folder, join(found.parentPath, found.name))
}

function* entryOf(folder: string, path: string): Generator<BackupEntry> {
  const stat = statSync(path, { throwIfNoEntry: false })
  if (stat)
    yield {
      name: relative(folder, path).split(sep).join('/'),
      bytes: stat.size,
      // the ends of the record grow while this is read
      open: () => (stat.size === 0 ? Readable.from([]) : createReadStream(path, { end: stat.size - 1 })),
    }
}

/**
 * @param file is there as a whole or not at all
 * @throws what the disk says
 */
export async function makeBackup(folder: string, file: string, now: string, program: string): Promise<Made> {
  mkdirSync(dirname(file), { recursive: true })
  const work = mkdtempSync(join(dirname(file), '.backup-'))
  const part = join(work, 'backup.tar')
  try {
    const { migrations, heads } = await takeSnapshot(join(folder, DATABASE), join(work, DATABASE))
    function* all(): Generator<BackupEntry> {
      yield* filesIn(work, DATABASE)
      for (const name of KEPT) if (name !== DATABASE) yield* filesIn(folder, name)
    }
    const { files } = await writeBackup(
      createWriteStream(part),
      { madeAt: now, program, migrations: [...migrations], heads },
      all(),
    )
    synced(part, 'r')
    renameSync(part, file)
    synced(dirname(file), 'r')
    return { file, bytes: statSync(file).size, files, head: { madeAt: now, heads } }
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

export interface Restored {
  readonly head: BackupHead
  readonly files: number
  /** Where what was there before lies now; null where nothing was. */
  readonly replaced: string | null
}

/**
 * Puts a backup in place of what a data folder holds. Nothing is touched before the whole of it was read and checked, and what it
 * replaces is moved aside, not deleted.
 * @throws what the disk says
 */
export async function restoreBackup(
  file: string,
  folder: string,
  migrations: string,
  now: string,
): Promise<Result<Restored, RestoreFault>> {
  const database = join(folder, DATABASE)
  mkdirSync(folder, { recursive: true })
  const mark = now.replace(/[:.]/g, '-')
  const fresh = mkdtempSync(join(folder, '.restore-'))
  try {
    let files = 0
    const head = await readBackup(createReadStream(file), async (name, content) => {
      mkdirSync(dirname(join(fresh, name)), { recursive: true })
      await pipeline(content, createWriteStream(join(fresh, name), { flags: 'wx', flush: true }))
      files++
    })
    if (!head.ok) return head
    const refused = refuseDatabase(join(fresh, DATABASE), head.value, migrations)
    if (refused) return fail(refused)
    // last of all: somebody may have started meanwhile
    if (existsSync(database) && isInUse(database)) return fail({ code: 'IN_USE' })
    const there = [...KEPT, ...BESIDE].filter((name) => existsSync(join(folder, name)))
    const aside = join(folder, `replaced-${mark}`)
    if (there.length) mkdirSync(aside)
    for (const name of there) renameSync(join(folder, name), join(aside, name))
    // the database last: a folder without one is never taken for whole
    for (const name of [...KEPT].reverse()) if (existsSync(join(fresh, name))) renameSync(join(fresh, name), join(folder, name))
    synced(folder, 'r')
    return ok({ head: head.value, files, replaced: there.length ? aside : null })
  } finally {
    rmSync(fresh, { recursive: true, force: true })
  }
}

function refuseDatabase(file: string, head: BackupHead, migrations: string): RestoreFault | null {
  if (!existsSync(file)) return { code: 'OTHER_DATABASE' }
  try {
    const { heads, migrations: went } = readSnapshot(file)
    const known = knownMigrations(migrations)
    const later = went.find((name, i) => known[i] !== name)
    if (later !== undefined) return { code: 'LATER_SCHEMA', migration: later }
    const same = (['record', 'seals'] as const).every(
      (what) => heads[what].seq === head.heads[what].seq && heads[what].hash === head.heads[what].hash,
    )
    return same ? null : { code: 'OTHER_DATABASE' }
  } catch (error) {
    if (/^SQLITE_(CORRUPT|NOTADB)/.test(String((error as { code?: unknown }).code))) return { code: 'OTHER_DATABASE' }
    throw error
  }
}
