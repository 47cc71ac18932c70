/** What a shop keeps as files beside its database. */
import { createHash, randomUUID } from 'node:crypto'
import {
  closeSync,
  existsSync,
  fsyncSync,
  linkSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs'
import type { Spool } from '@/devices/printer/simulated'
import { basename, dirname, join, relative, sep } from 'node:path'

/** What a part's picture may be, and what it is called in the folder. */
export const DRAWING_TYPES = { 'image/png': 'png', 'image/jpeg': 'jpg', 'application/pdf': 'pdf' } as const
export type DrawingType = keyof typeof DRAWING_TYPES

export interface Evidence {
  put(serial: string, at: string, zip: Uint8Array): string
  drop(place: string): void
  /** null when it was cleaned away */
  read(place: string): Uint8Array | null
  /** Every set of pictures kept, with its size in bytes and when it was taken, ISO 8601. */
  list(): { readonly place: string; readonly bytes: number; readonly at: string }[]
}

export interface Drop {
  /** @returns `there` when one lies there that may not be replaced; else what puts the folder back as it was */
  put(machine: string, file: string, text: string, over: boolean): 'there' | (() => void)
}

export interface Drawings {
  /** @returns the file's name in the folder */
  put(partId: string, type: DrawingType, bytes: Uint8Array): string
  drop(name: string): void
  /** null when there is no such file */
  read(name: string): Uint8Array | null
}

/** Opens a file or a folder, writes what there is to write, and waits until the disk has it. */
export function synced(path: string, flags: 'r' | 'wx', write: (file: number) => void = () => undefined): void {
  const file = openSync(path, flags)
  try {
    write(file)
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
}

/**
 * A whole file or none: written under another name, brought to the disk, and then given its own.
 * @param over whether one that lies there may be replaced
 * @throws EEXIST where it may not
 */
export function putWhole(path: string, content: Uint8Array | string, over: boolean): void {
  const folder = dirname(path)
  mkdirSync(folder, { recursive: true })
  const part = join(folder, `.${basename(path)}.${randomUUID().slice(0, 8)}.part`)
  const bytes = typeof content === 'string' ? Buffer.from(content) : content
  try {
    synced(part, 'wx', (file) => {
      for (let at = 0; at < bytes.length;) at += writeSync(file, bytes, at)
    })
    // a link is made only where nothing lies, a rename also over what lies there; neither shows half a file
    if (over) renameSync(part, path)
    else linkSync(part, path)
    synced(folder, 'r')
  } finally {
    rmSync(part, { force: true })
  }
}

const isThere = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === 'EEXIST'

/** Pictures that measurements rest on. */
export function evidenceIn(folder: string): Evidence {
  return {
    put(serial, at, zip) {
      const place = `${serial}/${at.replace(/[:.]/g, '-')}.zip`
      putWhole(join(folder, place), zip, false)
      return place
    },
    drop: (place) => rmSync(join(folder, place), { force: true }),
    read: (place) => (existsSync(join(folder, place)) ? readFileSync(join(folder, place)) : null),
    list() {
      if (!existsSync(folder)) return []
      return readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((f) => f.isFile() && f.name.endsWith('.zip'))
        .map((f) => {
          const { size, mtime } = statSync(join(f.parentPath, f.name))
          const place = relative(folder, join(f.parentPath, f.name)).split(sep).join('/')
          return { place, bytes: size, at: mtime.toISOString() }
        })
    },
  }
}

/** Printed labels, the newest last by their names. */
export function spoolIn(folder: string): Spool {
  return {
    put(name, png) {
      const file = `${new Date().toISOString().replace(/[:.]/g, '-')}_${name.replace(/[^\w.-]/g, '_')}`
      putWhole(join(folder, file), png, false)
      return `spool/${file}`
    },
    drop: (where) => rmSync(join(folder, basename(where)), { force: true }),
  }
}

export function dropIn(folder: string): Drop {
  const placeOf = (machine: string, file: string) => join(folder, machine.replace(/[^\w-]/g, '_'), file.replace(/[^\w.-]/g, '_'))
  return {
    put(machine, file, text, over) {
      const place = placeOf(machine, file)
      try {
        const before = over && existsSync(place) ? readFileSync(place) : null
        putWhole(place, text, over)
        return () => (before ? putWhole(place, before, true) : rmSync(place, { force: true }))
      } catch (error) {
        if (!isThere(error)) throw error
        return 'there'
      }
    },
  }
}

export function drawingsIn(folder: string): Drawings {
  return {
    put(partId, type, bytes) {
      // by part and content: two parts whose numbers look alike in a file name share none, and a picture that is not noted spoils none
      const mark = createHash('sha256').update(partId).update('\0').update(bytes).digest('hex').slice(0, 12)
      const name = `p_${partId.replace(/[^\w.-]/g, '_').slice(0, 60)}-${mark}.${DRAWING_TYPES[type]}`
      putWhole(join(/*turbopackIgnore: true*/ folder, name), bytes, true)
      return name
    },
    drop: (name) => rmSync(join(/*turbopackIgnore: true*/ folder, name), { force: true }),
    read(name) {
      if (!/^[\w.-]+$/.test(name) || name.startsWith('.')) return null
      const file = join(/*turbopackIgnore: true*/ folder, name)
      return existsSync(file) ? readFileSync(file) : null
    },
  }
}
