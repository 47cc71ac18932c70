/** What a shop keeps as files beside its database. */
import { existsSync, linkSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'

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
  put(machine: string, file: string, text: string, over: boolean): 'written' | 'there'
}

export interface Drawings {
  /** @returns the file's name in the folder */
  put(partId: string, type: DrawingType, bytes: Uint8Array): string
  /** null when there is no such file */
  read(name: string): Uint8Array | null
}

/** Pictures that measurements rest on. */
export function evidenceIn(folder: string): Evidence {
  return {
    put(serial, at, zip) {
      const place = `${serial}/${at.replace(/[:.]/g, '-')}.zip`
      mkdirSync(join(folder, serial), { recursive: true })
      writeFileSync(join(folder, place), zip, { flag: 'wx' })
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
export function spoolIn(folder: string): (name: string, png: Uint8Array) => string {
  return (name, png) => {
    mkdirSync(folder, { recursive: true })
    const file = `${new Date().toISOString().replace(/[:.]/g, '-')}_${name.replace(/[^\w.-]/g, '_')}`
    writeFileSync(join(folder, file), png, { flag: 'wx' })
    return `spool/${file}`
  }
}

export function dropIn(folder: string): Drop {
  return {
    put(machine, file, text, over) {
      const own = join(folder, machine.replace(/[^\w-]/g, '_'))
      mkdirSync(own, { recursive: true })
      const name = file.replace(/[^\w.-]/g, '_')
      const part = join(own, `.${name}.part`)
      writeFileSync(part, text)
      try {
        // a link is made only where nothing lies, a rename also over what lies there; neither shows half a file
        if (over) renameSync(part, join(own, name))
        else linkSync(part, join(own, name))
        return 'written'
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
        return 'there'
      } finally {
        rmSync(part, { force: true })
      }
    },
  }
}

export function drawingsIn(folder: string): Drawings {
  return {
    put(partId, type, bytes) {
      const name = `${partId.replace(/[^\w.-]/g, '_')}.${DRAWING_TYPES[type]}`
      mkdirSync(folder, { recursive: true })
      writeFileSync(join(/*turbopackIgnore: true*/ folder, name), bytes)
      return name
    },
    read(name) {
      if (!/^[\w.-]+$/.test(name) || name.startsWith('.')) return null
      const file = join(/*turbopackIgnore: true*/ folder, name)
      return existsSync(file) ? readFileSync(file) : null
    },
  }
}
