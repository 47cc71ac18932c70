import 'server-only'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { logFault } from './log'
import { labelSvg, type LabelFonts } from '@/codecs/label-picture'

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

/** The first label takes a quarter of a second, since its fonts are parsed: drawn once at the start, so that nobody waits for it. */
export function drawFirstLabel(): void {
  const text = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ abcdefghijklmnopqrstuvwxyz 0123456789 Ø·.,-'
  try {
    labelSvg({ widthMm: 62, heightMm: 29, title: text, lines: [text], code: 'datamatrix', codeText: text }, labelFonts())
  } catch (error) {
    // whoever prints the first real one is told
    logFault('first label', error)
  }
}

const fontsHeld = globalThis as { boulderFonts?: LabelFonts }
