/** The label as a picture: human lines first, then the code. All text becomes outlines, so no printer needs our font. */
import bwipjs from 'bwip-js/node'
import opentype from 'opentype.js'
import { Resvg } from '@resvg/resvg-js'
import { PDFDocument, rgb, type PDFPage } from 'pdf-lib'
import { MM_PER_INCH } from '@/core/units'

/** Fonts in order of preference, as WOFF files read by the caller; later ones fill in missing letters. */
export interface LabelFonts {
  readonly bold: readonly ArrayBuffer[]
  readonly plain: readonly ArrayBuffer[]
}

export interface LabelPicture {
  readonly widthMm: number
  readonly heightMm: number
  /** First line large; the rest smaller. */
  readonly title: string
  readonly lines: readonly string[]
  readonly code: 'datamatrix' | 'qr'
  readonly codeText: string
}

/** Dots of a usual thermal label printer, 203 to the inch. */
export const LABEL_DPI = 203

const parsedFonts = new WeakMap<ArrayBuffer, opentype.Font>()
/** A font is parsed once: that takes longer than a whole label. */
function parsed(file: ArrayBuffer): opentype.Font {
  const known = parsedFonts.get(file)
  if (known) return known
  const font = opentype.parse(file)
  parsedFonts.set(file, font)
  return font
}

const dots = (mm: number) => Math.round((mm / MM_PER_INCH) * LABEL_DPI)

/** A label as two outlines, in dots at 203 dpi. */
interface LabelShapes {
  readonly width: number
  readonly height: number
  /** Path data of the human lines, and of the code's dark modules. */
  readonly words: string
  readonly code: string
  /** Lines that did not fit and are cut, from 0 for the large one. */
  readonly cut: readonly number[]
}

function shapesOf(label: LabelPicture, fonts: LabelFonts): LabelShapes {
  const width = dots(label.widthMm)
  const height = dots(label.heightMm)
  const margin = MARGIN
  const code = modulesOf(label.code, label.codeText)
  // as large as the height takes, and never more than its share of the width: words need the rest
  const byWidth = Math.floor((CODE_SHARE * width) / code.columns)
  const dot = Math.max(LEAST_DOT, Math.min(byWidth, Math.floor((height - 2 * margin) / Math.max(code.columns, code.rows))))
  const side = dot * code.columns
  const left = width - margin - side
  const top = Math.round((height - dot * code.rows) / 2)
  const room = left - 2 * margin
  const bold = fonts.bold.map(parsed)
  const plain = fonts.plain.map(parsed)
  const title = textPath(bold, label.title, margin, margin + 27, 36, room)
  const step = Math.min(31, (height - margin - 52) / Math.max(1, label.lines.length))
  const lines = label.lines.map((line, i) =>
    textPath(plain, line, margin, margin + 27 + (i + 1) * step, Math.min(27, step - 3), room),
  )
  return {
    width,
    height,
    words: [title, ...lines].map((line) => line.path).join(''),
    cut: [title, ...lines].flatMap((line, i) => (line.cut ? [i] : [])),
    code: code.dark.map(({ u, v }) => `M${left + u * dot} ${top + v * dot}h${dot}v${dot}h-${dot}z`).join(''),
  }
}

/** Which lines do not fit and are cut, from 0 for the large one. */
export const cutLines = (label: LabelPicture, fonts: LabelFonts): readonly number[] => shapesOf(label, fonts).cut

/** Dots of one module: two at least, so that a print head hits them. */
const LEAST_DOT = 2
const MARGIN = 12
const CODE_SHARE = 0.6

/** The least size in which a label's code can be read, with half as much again beside it for words. Sizes mm. */
export function smallestMm(label: Pick<LabelPicture, 'code' | 'codeText'>): {
  readonly widthMm: number
  readonly heightMm: number
} {
  const { columns, rows } = modulesOf(label.code, label.codeText)
  const mm = (n: number) => (n / LABEL_DPI) * MM_PER_INCH
  return { widthMm: mm(LEAST_DOT * columns * 1.5 + 3 * MARGIN), heightMm: mm(LEAST_DOT * rows + 2 * MARGIN) }
}

/** @returns a standalone SVG in true size; one unit is one dot at 203 dpi */
export function labelSvg(label: LabelPicture, fonts: LabelFonts): string {
  const { width, height, words, code } = shapesOf(label, fonts)
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${label.widthMm}mm" height="${label.heightMm}mm" viewBox="0 0 ${width} ${height}">`,
    `<title>${escapeXml([label.title, ...label.lines].join(' · '))}</title>`,
    `<rect width="${width}" height="${height}" fill="#fff"/>`,
    `<path fill="#000" d="${words}"/>`,
    `<path fill="#000" shape-rendering="crispEdges" d="${code}"/>`,
    '</svg>',
  ].join('\n')
}

const POINTS_PER_MM = 72 / MM_PER_INCH
const A4 = { widthMm: 210, heightMm: 297, marginMm: 8, gapMm: 2 }

/**
 * Labels as PDF in true size: a page each, or side by side on sheets of A4.
 * @param labels at least one
 */
export async function labelPdf(
  labels: readonly LabelPicture[],
  fonts: LabelFonts,
  on: 'single' | 'sheet' = 'single',
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.setTitle(labels.length === 1 ? labels[0].title : `${labels.length} labels`)
  const put = (page: PDFPage, label: LabelPicture, leftMm: number, topMm: number) => {
    const { words, code } = shapesOf(label, fonts)
    const at = {
      x: leftMm * POINTS_PER_MM,
      y: page.getHeight() - topMm * POINTS_PER_MM,
      scale: 72 / LABEL_DPI,
      color: rgb(0, 0, 0),
      borderWidth: 0,
    }
    page.drawSvgPath(words, at)
    page.drawSvgPath(code, at)
  }
  if (on === 'single') {
    for (const label of labels) put(pdf.addPage([label.widthMm * POINTS_PER_MM, label.heightMm * POINTS_PER_MM]), label, 0, 0)
    return pdf.save()
  }
  const [first] = labels
  const across = Math.max(1, Math.floor((A4.widthMm - 2 * A4.marginMm + A4.gapMm) / (first.widthMm + A4.gapMm)))
  const down = Math.max(1, Math.floor((A4.heightMm - 2 * A4.marginMm + A4.gapMm) / (first.heightMm + A4.gapMm)))
  let page: PDFPage | null = null
  labels.forEach((label, i) => {
    const place = i % (across * down)
    if (place === 0 || !page) page = pdf.addPage([A4.widthMm * POINTS_PER_MM, A4.heightMm * POINTS_PER_MM])
    const leftMm = A4.marginMm + (place % across) * (first.widthMm + A4.gapMm)
    const topMm = A4.marginMm + Math.floor(place / across) * (first.heightMm + A4.gapMm)
    put(page, label, leftMm, topMm)
  })
  return pdf.save()
}

/** The same picture as PNG at 203 dpi. */
export function labelPng(svg: string): Uint8Array {
  const width = Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1])
  return new Resvg(svg, { fitTo: { mode: 'width', value: width }, font: { loadSystemFonts: false } }).render().asPng()
}

interface Modules {
  readonly columns: number
  readonly rows: number
  readonly dark: readonly { readonly u: number; readonly v: number }[]
}

function modulesOf(kind: LabelPicture['code'], text: string): Modules {
  const raw = bwipjs.raw(kind === 'datamatrix' ? 'datamatrix' : 'qrcode', text, kind === 'qr' ? 'eclevel=M' : '')
  const [{ pixs, pixx, pixy }] = raw as unknown as { pixs: number[]; pixx: number; pixy: number }[]
  const dark = pixs.flatMap((on, i) => (on ? [{ u: i % pixx, v: Math.floor(i / pixx) }] : []))
  return { columns: pixx, rows: pixy, dark }
}

interface Line {
  readonly path: string
  readonly cut: boolean
}

/** One line of text as outlines, made narrower in size when it does not fit. */
function textPath(fonts: readonly opentype.Font[], text: string, x: number, y: number, size: number, room: number): Line {
  const runs = Array.from(text, (letter) => ({
    letter,
    font: fonts.find((font) => font.charToGlyphIndex(letter) > 0) ?? fonts[0],
  }))
  const widthAt = (s: number) => runs.reduce((sum, { font, letter }) => sum + font.getAdvanceWidth(letter, s), 0)
  const fitted = Math.max(size * 0.55, Math.min(size, (size * room) / Math.max(1, widthAt(size))))
  let at = x
  let path = ''
  for (const { letter, font } of runs) {
    // made narrower until it fits to the dot: its last letter must not be lost to rounding
    if (at - x + font.getAdvanceWidth(letter, fitted) > room + 0.5) return { path, cut: true }
    path += font.getPath(letter, at, y, fitted).toPathData(1)
    at += font.getAdvanceWidth(letter, fitted)
  }
  return { path, cut: false }
}

const escapeXml = (text: string) => text.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`)

/** A code alone, as an SVG that fills its place, with one module of quiet zone. */
export function codeSvg(kind: LabelPicture['code'], text: string): string {
  const { columns, rows, dark } = modulesOf(kind, text)
  const path = dark.map(({ u, v }) => `M${u} ${v}h1v1h-1z`).join('')
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-1 -1 ${columns + 2} ${rows + 2}" width="100%" height="100%" shape-rendering="crispEdges"><path d="${path}" fill="#000"/></svg>`
}
