import 'server-only'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { LabelFonts } from '@/codecs/label-picture'
import { openDatabase, type Db } from '@/db/connection'
import { migrate } from '@/db/migrate'
import { httpControl } from '@/devices/control/http'
import type { Control } from '@/devices/control/port'
import { dataFolder } from './data-folder'

export interface Runtime {
  readonly db: Db
  readonly control: Control
  readonly schema: number
  readonly evidence: {
    put(serial: string, at: string, zip: Uint8Array): string
    drop(place: string): void
    read(place: string): Uint8Array
  }
}

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
  const port = Number(process.env.PORT ?? 3000)
  return {
    db,
    schema,
    control: httpControl(process.env.BOULDER_CONTROL ?? `http://127.0.0.1:${port + 1}`),
    evidence: evidenceIn(join(data, 'evidence')),
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
    read: (place) => readFileSync(join(folder, place)),
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
