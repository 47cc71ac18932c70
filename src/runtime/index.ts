import 'server-only'
import { existsSync, linkSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import type { LabelFonts } from '@/codecs/label-picture'
import { inTransaction, openDatabase, type Db } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { chainUp } from '@/db/record/chain'
import { httpControl } from '@/devices/control/http'
import type { Control, Hands } from '@/devices/control/port'
import type { LineBench } from '@/devices/line-bench/port'
import { tcpLineBench } from '@/devices/line-bench/tcp'
import type { Printer } from '@/devices/printer/port'
import { simulatedPrinter } from '@/devices/printer/simulated'
import type { ShrinkUnit } from '@/devices/shrink/port'
import { simulatedShrink } from '@/devices/shrink/simulated'
import type { TagStation } from '@/devices/tag/port'
import { simulatedTag } from '@/devices/tag/simulated'
import { getShrinkState, getSimTag } from '@/db/truth/read'
import { putShrinkState, putSimTag } from '@/db/truth/write'
import { clockOf, type Clock } from './clock'
import { dataFolder } from './data-folder'
import { framesPool, type FramesPool } from './frames-pool'

export interface Runtime {
  readonly db: Db
  readonly clock: Clock
  readonly control: Control
  /** Hands at a machine that is a stand-in. */
  readonly hands: Hands
  /** The bench at the end of a serial line; null where none is connected. */
  readonly lineBench: LineBench | null
  /** The reader with the chip of this holder before it. */
  readonly tagOf: (serial: string) => TagStation
  readonly shrink: ShrinkUnit
  readonly printer: Printer
  /** Measures pictures beside everything else. */
  readonly frames: FramesPool
  readonly schema: number
  readonly evidence: {
    put(serial: string, at: string, zip: Uint8Array): string
    drop(place: string): void
    /** null when it was cleaned away */
    read(place: string): Uint8Array | null
    /** Every set of pictures kept, with its size in bytes and when it was taken, ISO 8601. */
    list(): { readonly place: string; readonly bytes: number; readonly at: string }[]
  }
  /** Files for each machine's control. */
  readonly drop: {
    put(machine: string, file: string, text: string, over: boolean): 'written' | 'there'
  }
  /** Pictures and drawings of parts. */
  readonly drawings: {
    /** @returns the file's name in the folder */
    put(partId: string, type: DrawingType, bytes: Uint8Array): string
    /** null when there is no such file */
    read(name: string): Uint8Array | null
  }
}

/** What a part's picture may be, and what it is called in the folder. */
export const DRAWING_TYPES = { 'image/png': 'png', 'image/jpeg': 'jpg', 'application/pdf': 'pdf' } as const
export type DrawingType = keyof typeof DRAWING_TYPES

const held = globalThis as { boulderRuntime?: Runtime }

/** The one database handle and the drivers of this process. */
export function runtime(): Runtime {
  return (held.boulderRuntime ??= open())
}

function open(): Runtime {
  const data = dataFolder()
  mkdirSync(data, { recursive: true })
  const db = openDatabase(join(data, 'boulder.sqlite'))
  const schema = migrate(db, join(process.cwd(), 'src/db/migrations'))
  inTransaction(db, chainUp)
  // whoever starts the stand-ins says so; next to anything real the clock stays the clock
  const clock = clockOf(db, process.env.BOULDER_STANDINS === '1')
  const port = Number(process.env.PORT ?? 3000)
  const control = httpControl(process.env.BOULDER_CONTROL ?? `http://127.0.0.1:${port + 1}`)
  return {
    db,
    clock,
    schema,
    control,
    hands: control,
    lineBench: process.env.BOULDER_LINE_BENCH ? tcpLineBench(process.env.BOULDER_LINE_BENCH) : null,
    tagOf: (serial) =>
      simulatedTag({ get: (s) => getSimTag(db, s), put: (s, tag) => inTransaction(db, (tx) => putSimTag(tx, s, tag)) }, serial),
    shrink: simulatedShrink({
      get: () => getShrinkState(db),
      put: (state) => inTransaction(db, (tx) => putShrinkState(tx, state)),
      nowMs: () => clock.nowMs(),
    }),
    printer: simulatedPrinter(spoolIn(join(data, 'spool'))),
    frames: framesPool(),
    evidence: evidenceIn(join(data, 'evidence')),
    drop: dropIn(join(data, 'drop')),
    drawings: drawingsIn(join(data, 'drawings')),
  }
}

function evidenceIn(folder: string): Runtime['evidence'] {
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
function spoolIn(folder: string): (name: string, png: Uint8Array) => string {
  return (name, png) => {
    mkdirSync(folder, { recursive: true })
    const file = `${new Date().toISOString().replace(/[:.]/g, '-')}_${name.replace(/[^\w.-]/g, '_')}`
    writeFileSync(join(folder, file), png, { flag: 'wx' })
    return `spool/${file}`
  }
}

function dropIn(folder: string): Runtime['drop'] {
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

function drawingsIn(folder: string): Runtime['drawings'] {
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

/** The API's token; without one the API is shut. */
export const apiToken = (): string | null => process.env.BOULDER_API_TOKEN || null

/** Fonts of labels, read once. */
export function labelFonts(): LabelFonts {
  const file = (subset: string, weight: number): ArrayBuffer => {
    const bytes = readFileSync(
      join(
        process.cwd(),
        `node_modules/@fontsource/sofia-sans-condensed/files/sofia-sans-condensed-${subset}-${weight}-normal.woff`,
      ),
    )
    return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
  }
  const all = (weight: number) => ['latin', 'latin-ext', 'greek', 'cyrillic'].map((subset) => file(subset, weight))
  return (fontsHeld.boulderFonts ??= { bold: all(700), plain: all(500) })
}

const fontsHeld = globalThis as { boulderFonts?: LabelFonts }

export { dataFolder }
