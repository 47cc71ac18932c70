/**
 * A backup as one file: a tar archive (POSIX) with `backup.json` first, then the database and what lies beside it, and
 * `end.json` with a hash over all of it last, so that a file that was cut off shows.
 */
import { createHash, type Hash } from 'node:crypto'
import type { Readable, Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { extract, pack } from 'tar-stream'
import { z } from 'zod'
import type { BackupFault } from '@/core/backup'
import { fail, ok, type Result } from '@/core/units'

const Hex = z.string().regex(/^[0-9a-f]{64}$/)
const Head = z.object({ seq: z.number().int().min(0), hash: Hex })
const BackupHead = z.object({
  format: z.literal('boulder-backup'),
  version: z.number().int(),
  madeAt: z.iso.datetime(),
  program: z.string(),
  /** Migrations that the database went through, the oldest first. */
  migrations: z.array(z.string()),
  /** Where record and seals ended. */
  heads: z.object({ record: Head, seals: Head }),
})
export type BackupHead = z.infer<typeof BackupHead>
const End = z.object({ files: z.number().int().min(0), sha256: Hex })

const VERSION = 1
const HEAD = 'backup.json'
const END = 'end.json'
const MOST_JSON = 1_000_000

export interface BackupEntry {
  /** `boulder.sqlite`, `evidence/BX00143/….zip`: parted by slashes. */
  readonly name: string
  readonly bytes: number
  open(): Readable
}

const begins = (hash: Hash, name: string, bytes: number): void => void hash.update(`${name}\0${bytes}\0`)

/** @throws what reading or writing throws */
export async function writeBackup(
  to: Writable,
  head: Omit<BackupHead, 'format' | 'version'>,
  entries: Iterable<BackupEntry>,
): Promise<{ readonly files: number }> {
  const archive = pack()
  const written = pipeline(archive, to)
  const json = (name: string, body: object) => archive.entry({ name }, JSON.stringify(body, null, 2))
  json(HEAD, { format: 'boulder-backup', version: VERSION, ...head })
  const hash = createHash('sha256')
  let files = 0
  const fill = async () => {
    for (const { name, bytes, open } of entries) {
      begins(hash, name, bytes)
      const entry = archive.entry({ name, size: bytes })
      await pipeline(hashed(open() as AsyncIterable<Buffer>, hash), entry)
      files++
    }
    json(END, { files, sha256: hash.digest('hex') })
    archive.finalize()
  }
  // a disk that is full ends the archive: then nobody waits for the next entry
  await Promise.race([Promise.all([fill(), written]), written.then(() => new Promise<never>(() => undefined))])
  return { files }
}

/** What a backup holds, and nothing else. */
const NAMES = /^(boulder\.sqlite|record\.heads|evidence(\/[\w.-]+)+\.zip|drawings\/[\w.-]+)$/
const isOurs = (name: string): boolean => NAMES.test(name) && !name.split('/').some((part) => /^\.+$/.test(part))

/**
 * Reads a backup to its end.
 * @param keep where each file goes; called with names of ours only
 * @throws what `keep` throws
 */
export async function readBackup(
  from: Readable,
  keep: (name: string, content: AsyncIterable<Buffer>) => Promise<void>,
): Promise<Result<BackupHead, BackupFault>> {
  const entries = extract()
  const read = pipeline(from, entries).catch(() => undefined)
  const hash = createHash('sha256')
  let head: BackupHead | null = null
  let files = 0
  const said = async (): Promise<Result<BackupHead, BackupFault>> => {
    for await (const entry of entries) {
      const { name, size = 0 } = entry.header
      if (head === null) {
        const first =
          name === HEAD && size <= MOST_JSON ? BackupHead.safeParse(await jsonOf(entry as AsyncIterable<Buffer>)) : null
        if (!first?.success) return fail({ code: 'NOT_A_BACKUP' })
        head = first.data
        if (head.version !== VERSION) return fail({ code: 'LATER_FORMAT', version: head.version })
      } else if (name === END) {
        const end = End.safeParse(size <= MOST_JSON ? await jsonOf(entry as AsyncIterable<Buffer>) : null)
        const whole = end.success && end.data.files === files && end.data.sha256 === hash.digest('hex')
        return whole ? ok(head) : fail({ code: 'CHANGED' })
      } else {
        if (!isOurs(name) || entry.header.type !== 'file') return fail({ code: 'FOREIGN_FILE', name })
        begins(hash, name, size)
        await keep(name, hashed(entry as AsyncIterable<Buffer>, hash))
        files++
      }
    }
    return fail({ code: head ? 'CUT_OFF' : 'NOT_A_BACKUP' })
  }
  try {
    return await said()
  } catch (error) {
    // what tar-stream says of an archive that is none has no code
    if ((error as NodeJS.ErrnoException).code !== undefined) throw error
    return fail({ code: head ? 'CUT_OFF' : 'NOT_A_BACKUP' })
  } finally {
    from.destroy()
    await read
  }
}

async function* hashed(chunks: AsyncIterable<Buffer>, hash: Hash): AsyncGenerator<Buffer> {
  for await (const chunk of chunks) {
    hash.update(chunk)
    yield chunk
  }
}

async function jsonOf(entry: AsyncIterable<Buffer>): Promise<unknown> {
  const chunks: Buffer[] = []
  for await (const chunk of entry) chunks.push(chunk)
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    return null
  }
}
