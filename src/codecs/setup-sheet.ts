/** A setup sheet as PDF, A4 upright: one row a tool, drawn to one scale. */
import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib'
import type { ToolProfile } from '@/core/tool'
import type { LabelFonts } from './label-picture'

/** Texts are ready to print: in the machine's unit, with it named. */
export interface SheetRow {
  readonly t: string
  readonly name: string
  readonly holder: string
  readonly figures: readonly (readonly [string, string])[]
  readonly standing: string
  readonly profile: ToolProfile | null
}

export interface SheetText {
  readonly title: string
  readonly about: string
  readonly foot: string
  readonly rows: readonly SheetRow[]
}

const PAGE = { width: 595.28, height: 841.89, margin: 42 }
const ROW = 92
const INK = rgb(0.114, 0.133, 0.145)
const SOFT = rgb(0.333, 0.361, 0.369)
const RULE = rgb(0.804, 0.78, 0.729)
const STONE = rgb(0.294, 0.325, 0.337)
const CUT = rgb(0.545, 0.576, 0.588)

type Face = readonly PDFFont[]

/** @param fonts each face as its files of Latin, extended Latin, Greek, Cyrillic */
export async function setupSheetPdf(sheet: SheetText, fonts: LabelFonts): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  pdf.registerFontkit(fontkit)
  pdf.setTitle(sheet.title)
  const embed = async (files: readonly ArrayBuffer[]): Promise<Face> =>
    Promise.all(files.map((f) => pdf.embedFont(f, { subset: true })))
  const [bold, plain] = [await embed(fonts.bold), await embed(fonts.plain)]
  const perPage = Math.floor((PAGE.height - 2 * PAGE.margin - 70) / ROW)
  const pages = Math.max(1, Math.ceil(sheet.rows.length / perPage))
  const mmPerPoint = scaleFor(sheet.rows)
  for (let p = 0; p < pages; p++) {
    const page = pdf.addPage([PAGE.width, PAGE.height])
    const top = PAGE.height - PAGE.margin
    write(page, bold, sheet.title, PAGE.margin, top - 16, 20, INK)
    write(page, plain, sheet.about, PAGE.margin, top - 36, 11, SOFT)
    write(page, plain, `${sheet.foot} · page ${p + 1} of ${pages}`, PAGE.margin, PAGE.margin - 14, 9, SOFT)
    sheet.rows
      .slice(p * perPage, (p + 1) * perPage)
      .forEach((row, i) => drawRow(page, row, top - 60 - i * ROW, bold, plain, mmPerPoint))
  }
  return pdf.save()
}

function scaleFor(rows: readonly SheetRow[]): number {
  const tallest = Math.max(80, ...rows.map(({ profile }) => (profile ? profile.highMm - Math.max(profile.lowMm, -34) : 0)))
  return tallest / (ROW - 12)
}

function drawRow(page: PDFPage, row: SheetRow, top: number, bold: Face, plain: Face, mmPerPoint: number): void {
  const x = PAGE.margin
  page.drawLine({ start: { x, y: top }, end: { x: PAGE.width - PAGE.margin, y: top }, thickness: 0.7, color: RULE })
  write(page, bold, row.t, x, top - 24, 22, INK)
  write(page, bold, row.name, x + 70, top - 20, 13, INK)
  write(page, plain, row.holder, x + 70, top - 36, 10.5, SOFT)
  write(page, plain, row.standing, x + 70, top - 80, 10.5, INK)
  row.figures.forEach(([name, value], i) => {
    const at = x + 70 + (i % 5) * 68
    write(page, plain, name, at, top - 50, 8.5, SOFT)
    write(page, bold, value, at, top - 64, 12.5, INK)
  })
  if (row.profile) drawTool(page, row.profile, PAGE.width - PAGE.margin - 40, top - ROW + 6, mmPerPoint)
}

/** The tool upright, its gauge line on one level with the others of the page. */
function drawTool(page: PDFPage, profile: ToolProfile, x: number, foot: number, mmPerPoint: number): void {
  const gauge = foot + 34 / mmPerPoint
  for (const part of profile.parts) {
    const points = part.points.map(([r, z]) => [r, Math.max(z, -34)] as const)
    const up = points.map(([r, z]) => `${r / mmPerPoint} ${-z / mmPerPoint}`)
    const down = [...points].reverse().map(([r, z]) => `${-r / mmPerPoint} ${-z / mmPerPoint}`)
    page.drawSvgPath(`M${[...up, ...down].join('L')}Z`, {
      x,
      y: gauge,
      color: part.of === 'cutter' ? CUT : STONE,
      borderWidth: 0,
    })
  }
  page.drawLine({ start: { x: x - 38, y: gauge }, end: { x: x + 38, y: gauge }, thickness: 0.5, color: SOFT, dashArray: [3, 2] })
}

/** Each letter from the first file that has it; one that none has becomes a question mark. */
function write(page: PDFPage, face: Face, text: string, x: number, y: number, size: number, color: ReturnType<typeof rgb>): void {
  const sets = face.map((font) => new Set(font.getCharacterSet()))
  let at = x
  let run = ''
  let runFont = face[0]
  const flush = () => {
    if (!run) return
    page.drawText(run, { x: at, y, size, font: runFont, color })
    at += runFont.widthOfTextAtSize(run, size)
    run = ''
  }
  for (const char of text) {
    const i = sets.findIndex((set) => set.has(char.codePointAt(0)!))
    const font = face[Math.max(0, i)]
    if (font !== runFont) flush()
    runFont = font
    run += i < 0 ? '?' : char
  }
  flush()
}
