/** Figures as a bench without a camera sends them: `LF +118.0203 MM 5A`, one a line. docs/formats.md has the format. */
import { FIGURE_KEYS, type FigureKey, type Figures } from '@/core/sets'
import { fail, ok, unitToMm, type Result } from '@/core/units'

export interface LineFault {
  readonly code: 'GARBLED'
  readonly line: string
}

const LINE = /^(([A-Z]{1,8}) ([+-]\d{1,6}(?:\.\d{1,6})?) (MM|IN)) ([0-9A-Fa-f]{2})$/

const sumOf = (text: string) => [...text].reduce((sum, c) => sum + c.charCodeAt(0), 0) % 256

/** @returns mm; what a bench sends beside length, diameter and radius is kept out */
export function decodeLineFigures(lines: readonly string[]): Result<Figures, LineFault> {
  const figures: Record<FigureKey, number | null> = { LF: null, DC: null, RE: null }
  for (const line of lines) {
    const match = LINE.exec(line.trim())
    if (!match || parseInt(match[5], 16) !== sumOf(match[1])) return fail({ code: 'GARBLED', line })
    const key = FIGURE_KEYS.find((k) => k === match[2])
    if (key) figures[key] = unitToMm(Number(match[3]), match[4] === 'IN' ? 'inch' : 'mm')
  }
  return ok(figures)
}

export function encodeLineFigure(key: string, value: number, unit: 'MM' | 'IN'): string {
  const text = `${key} ${value < 0 ? '-' : '+'}${Math.abs(value).toFixed(unit === 'MM' ? 4 : 5)} ${unit}`
  return `${text} ${sumOf(text).toString(16).toUpperCase().padStart(2, '0')}`
}
