/** Step texts and the setup sheet: the PDF read back by its own library, its text by the characters drawn. */
import { SHIPPED_STEPS } from '@/words/steps'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { setupSheetPdf, type SheetRow } from '@/codecs/setup-sheet'
import { stepText } from '@/codecs/step-text'
import { tickIds, type StepFacts } from '@/core/fits'
import { couplingTable, factsOf, plainProfile } from '@/core/tool'
import { usualUnits } from '@/core/units'

const facts: StepFacts = {
  holder: 'shrink holder Ø20',
  cutter: 'end mill Ø20',
  collet: 'collet size 25, 12–11',
  nut: 'nut size 25',
  insert: 'insert r0.8',
  extension: 'extension M50',
  extensionTorque: 20,
  extensionKey: 6,
  seats: 3,
  stop: 152.1,
  LF: 152,
  stickOut: 52,
  depth: 48,
  depthLeast: 41,
  depthGreatest: 52,
  shank: 20,
  shankClass: 'h5',
  shankMaterial: 'carbide',
  coil: '16 … 20',
  temperature: 221,
  torque: 90,
  torqueSchool: 'rated for the size',
  lubricated: 'oiled',
  key: 5,
  seatTorque: 3,
  travel: 3.5577,
}
const say = (text: string, change: Partial<StepFacts> = {}, unit: 'mm' | 'inch' = 'mm') => {
  const read = stepText({ id: 'x', text }, { ...facts, ...change }, usualUnits(unit))
  return read.ok ? read.value : `! ${read.error.detail}`
}

describe('the text of a step', () => {
  it('has its figures in the reader’s unit', () => {
    expect(say('Stop {{ stop | length }}.')).toBe('Stop 152.10 mm.')
    expect(say('Stop {{ stop | length }}.', {}, 'inch')).toBe('Stop 5.988 in.')
    expect(say('{{ temperature }} °C, {{ torque }} N·m')).toBe('221 °C, 90 N·m')
  })
  it('says nothing of what this tool has not got, and the rest of it', () =>
    expect(say('Clean it. Stop {{ stop | length }}, coil {{ coil }}. Go on.', { stop: null, coil: null })).toBe(
      'Clean it. Go on.',
    ))
  it('can depend on what is built', () => {
    const text = "{% if lubricated == 'oiled' %}thin film{% else %}dry{% endif %}"
    expect([say(text), say(text, { lubricated: 'dry' })]).toEqual(['thin film', 'dry'])
  })
  it('that names what no build knows, or cannot be read, is an error and never an empty place', () => {
    for (const text of ['{{ weather }}', '{{ LF | shout }}', '{% if %}', '{{ LF']) expect(say(text)).toMatch(/^! ./)
  })
  it('of everything that ships can be read, in both units', () => {
    for (const steps of Object.values(SHIPPED_STEPS))
      for (const { text } of steps)
        for (const unit of ['mm', 'inch'] as const) expect(say(text, {}, unit)).not.toMatch(/^!|\{\{|undefined|NaN/)
  })
})

const font = (subset: string, weight: number) => {
  const bytes = readFileSync(
    join('node_modules/@fontsource/sofia-sans-condensed/files', `sofia-sans-condensed-${subset}-${weight}-normal.woff`),
  )
  return bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer
}
const fonts = {
  bold: ['latin', 'latin-ext', 'greek'].map((s) => font(s, 700)),
  plain: ['latin', 'latin-ext', 'greek'].map((s) => font(s, 500)),
}
const row = (i: number, change: Partial<SheetRow> = {}): SheetRow => ({
  t: `T${i}`,
  name: `tool ${i}`,
  holder: 'holder',
  figures: [
    ['LF', '152.0 mm'],
    ['Ø', '20.0 mm'],
  ],
  standing: 'to build',
  profile: plainProfile(factsOf(couplingTable(), 'HSK-A63'), 120, 12, 4),
  ...change,
})
const pdf = async (rows: readonly SheetRow[]) =>
  PDFDocument.load(await setupSheetPdf({ title: 'HP-1 for Heron', about: 'about', foot: 'foot', rows }, fonts))

describe('the setup sheet', () => {
  it('is A4 upright, with as many pages as its tools need', async () => {
    const [none, few, many] = [await pdf([]), await pdf([row(1)]), await pdf(Array.from({ length: 30 }, (_, i) => row(i)))]
    expect([none, few].map((d) => d.getPageCount())).toEqual([1, 1])
    expect(many.getPageCount()).toBe(5)
    const { width, height } = few.getPage(0).getSize()
    expect([Math.round((width / 72) * 25.4), Math.round((height / 72) * 25.4)]).toEqual([210, 297])
    expect(few.getTitle()).toBe('HP-1 for Heron')
  })
  it('takes letters that its fonts do not hold, and tools of which nothing is known', async () => {
    const doc = await pdf([row(1, { name: 'Fräser Łódź Δ 鋼 🔩', holder: '–', profile: null, figures: [] })])
    expect(doc.getPageCount()).toBe(1)
  })
})

describe('steps of a build', () => {
  it('every clamping has some, each with a name of its own', () => {
    for (const steps of Object.values(SHIPPED_STEPS)) {
      expect(steps.length).toBeGreaterThan(1)
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
    }
  })
  it('a step with seats is ticked once a pocket', () => {
    expect(tickIds(SHIPPED_STEPS.arbor, 3)).toEqual(['clean', 'mount', 'seats-1', 'seats-2', 'seats-3'])
    expect(tickIds(SHIPPED_STEPS.shrink, null)).toEqual(['shank', 'clean', 'stop', 'coil', 'heat', 'cool'])
  })
})
