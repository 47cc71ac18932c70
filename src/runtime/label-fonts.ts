import 'server-only'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { LabelFonts } from '@/codecs/label-picture'

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
