import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { LabelFonts } from '@/codecs/label-picture'

const woff = (weight: number): ArrayBuffer => {
  const bytes = readFileSync(
    join(process.cwd(), `node_modules/@fontsource/sofia-sans-condensed/files/sofia-sans-condensed-latin-${weight}-normal.woff`),
  )
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
}

/** The fonts that labels ship with. */
export const labelFonts = (): LabelFonts => ({ bold: [woff(700)], plain: [woff(500)] })
