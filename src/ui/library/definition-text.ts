/** A tool's definition as the texts of a form, and back. */
import { CLASS_DEFAULTS, type Definition, type Measurable, type PartLine, type Role, type ToolClass } from '@/core/tool'
import { lengthErrorText } from '@/words/length'
import {
  fail,
  formatLength,
  ok,
  parseLength,
  typedNumber,
  type LengthUnit,
  type Result,
  parseQuantity,
  typedQuantity,
  type Units,
} from '@/core/units'
import { say } from '@/words/screens/library'

export const LENGTHS = [
  'LF',
  'LFlo',
  'LFup',
  'DC',
  'DClo',
  'DCup',
  'RE',
  'RElo',
  'REup',
  'radial',
  'axial',
  'reach',
  'stepR',
  'stepZ',
  'reground',
  'wear',
] as const
export type LengthKey = (typeof LENGTHS)[number]

export type Typed = Record<LengthKey, string> & {
  id: string
  t: string
  name: string
  toolClass: ToolClass
  edges: string
  rpm: string
  torque: string
  grade: string
  gradeRpm: string
  life: string
  check: string
  tip: string
  route: Definition['route']
  machines: string[]
  measure: Measurable[]
  parts: { role: Role; component: string; alternatives: string; count: string }[]
}

export const shown = (mm: number | null | undefined, unit: LengthUnit) =>
  mm === null || mm === undefined ? '' : formatLength(mm, unit, unit === 'mm' ? 4 : 5).replace(/\.?0+$/, '')

export function startOf(d: Definition | null, units: Units): Typed {
  const unit = units.length
  const usual = CLASS_DEFAULTS[d?.toolClass ?? 'finish']
  const sized = (mm: number | null | undefined) => shown(mm, unit)
  return {
    id: d?.id ?? '',
    t: d ? String(d.t) : '',
    name: d?.name ?? '',
    toolClass: d?.toolClass ?? 'finish',
    LF: sized(d?.LF.nominal),
    LFlo: sized(d?.LF.lower ?? -usual.LF),
    LFup: sized(d?.LF.upper ?? usual.LF),
    DC: sized(d?.DC.nominal),
    DClo: sized(d?.DC.lower ?? -usual.DC),
    DCup: sized(d?.DC.upper ?? usual.DC),
    RE: sized(d?.RE?.nominal),
    RElo: sized(d?.RE?.lower ?? -usual.RE),
    REup: sized(d?.RE?.upper ?? usual.RE),
    radial: sized(d?.radialRunoutMax ?? usual.radial),
    axial: sized(d?.axialRunoutMax ?? usual.axial),
    reach: sized(d?.reachMm),
    stepR: sized(d?.stepped?.radialMm),
    stepZ: sized(d?.stepped?.axialMm),
    reground: sized(d?.regroundDC),
    wear: sized(d?.wearMm),
    check: d?.checkMin ? String(d.checkMin) : '',
    tip: d?.tip ? String(d.tip) : '',
    edges: String(d?.edges ?? 4),
    rpm: d ? String(d.programRpm) : '',
    torque: d?.torqueNm ? typedQuantity(d.torqueNm, 'torque', units) : '',
    grade: d?.balance ? String(d.balance.grade) : '',
    gradeRpm: d?.balance ? String(d.balance.rpm) : '',
    life: d?.lifeMin ? String(d.lifeMin) : '',
    route: d?.route ?? 'as the machine',
    machines: [...(d?.machines ?? [])],
    measure: [...(d?.measure ?? (['LF', 'DC'] as const))],
    parts: (
      d?.parts ?? [
        { role: 'holder', component: '', alternatives: [], count: 1 },
        { role: 'cutter', component: '', alternatives: [], count: 1 },
      ]
    ).map((l: PartLine) => ({
      role: l.role,
      component: l.component,
      alternatives: l.alternatives.join(', '),
      count: String(l.count),
    })),
  }
}

/** A torque nobody touched stays exactly what it was. */
function torqueOf(text: string, before: Definition | null, units: Units): number {
  const was = before?.torqueNm
  if (was && text === typedQuantity(was, 'torque', units)) return was
  const read = parseQuantity(text, 'torque', units)
  return read.ok ? read.value : NaN
}

type Faults = Partial<Record<keyof Typed, string>>

/**
 * @param before the version that is changed; a length nobody touched stays exactly what it was
 * @returns the definition without its contour, or a sentence for each field that is wrong
 */
export function readTyped(typed: Typed, before: Definition | null, units: Units): Result<Omit<Definition, 'contour'>, Faults> {
  const faults: Faults = {}
  const mm = readLengths(typed, before, units, faults)
  const number = (
    key: 't' | 'edges' | 'rpm' | 'torque' | 'grade' | 'gradeRpm' | 'life' | 'check' | 'tip',
    needed: boolean,
  ): number | null => {
    const text = typed[key].trim().replace(/^t/i, '')
    if (text === '') {
      if (needed) faults[key] = 'Required.'
      return null
    }
    const n = key === 'torque' ? torqueOf(text, before, units) : typedNumber(text)
    if (!Number.isFinite(n) || n <= 0) faults[key] = say.aNumberAbove
    return n
  }
  for (const key of ['LF', 'DC', 'radial', 'axial'] as const) if (typed[key].trim() === '') faults[key] = 'Required.'
  if (!typed.id.trim()) faults.id = say.giveItANumber
  if (!typed.name.trim()) faults.name = say.giveItAName
  if (!typed.machines.length) faults.machines = say.chooseAtLeastOneMachine
  const [t, edges, rpm] = [number('t', true), number('edges', true), number('rpm', true)]
  const [torque, grade, gradeRpm, life, check, tip] = [
    number('torque', false),
    number('grade', false),
    number('gradeRpm', false),
    number('life', false),
    number('check', false),
    number('tip', false),
  ]
  if (Object.keys(faults).length) return fail(faults)
  const size = (key: 'LF' | 'DC' | 'RE') => ({ nominal: mm[key]!, lower: mm[`${key}lo`] ?? 0, upper: mm[`${key}up`] ?? 0 })
  return ok({
    id: typed.id.trim(),
    version: before?.version ?? 0,
    t: t!,
    name: typed.name.trim(),
    toolClass: typed.toolClass,
    parts: partLines(typed.parts),
    LF: size('LF'),
    DC: size('DC'),
    RE: mm.RE === undefined ? null : size('RE'),
    edges: edges!,
    measure: typed.measure,
    radialRunoutMax: mm.radial!,
    axialRunoutMax: mm.axial!,
    machines: typed.machines,
    programRpm: rpm!,
    torqueNm: torque,
    reachMm: mm.reach ?? null,
    balance: grade !== null && gradeRpm !== null ? { grade, rpm: gradeRpm } : null,
    route: typed.route,
    lifeMin: life,
    ...(tip === null ? {} : { tip }),
    ...(mm.stepR === undefined && mm.stepZ === undefined ? {} : { stepped: { radialMm: mm.stepR ?? 0, axialMm: mm.stepZ ?? 0 } }),
    ...(mm.reground === undefined ? {} : { regroundDC: mm.reground }),
    ...(mm.wear === undefined ? {} : { wearMm: mm.wear }),
    ...(check === null ? {} : { checkMin: check }),
  })
}

function readLengths(typed: Typed, before: Definition | null, units: Units, faults: Faults): Partial<Record<LengthKey, number>> {
  const mm: Partial<Record<LengthKey, number>> = {}
  const unit = units.length
  const start = startOf(before, units)
  for (const key of LENGTHS) {
    if (typed[key].trim() === '') continue
    const untouched = before !== null && typed[key] === start[key] ? originalOf(before, key) : null
    const read = parseLength(typed[key], unit)
    if (untouched !== null) mm[key] = untouched
    else if (read.ok) mm[key] = Number(read.value.toFixed(6))
    else faults[key] = lengthErrorText(read.error)
  }
  return mm
}

const partLines = (lines: Typed['parts']): PartLine[] =>
  lines
    .filter((p) => p.component.trim())
    .map((p) => ({
      role: p.role,
      component: p.component.trim(),
      alternatives: p.alternatives
        .split(',')
        .map((a) => a.trim())
        .filter(Boolean),
      count: Number(p.count) || 1,
    }))

/** The exact number behind a field that nobody touched. */
function originalOf(d: Definition, key: LengthKey): number | null {
  switch (key) {
    case 'radial':
      return d.radialRunoutMax
    case 'axial':
      return d.axialRunoutMax
    case 'reach':
      return d.reachMm
    case 'stepR':
      return d.stepped?.radialMm ?? null
    case 'stepZ':
      return d.stepped?.axialMm ?? null
    case 'reground':
      return d.regroundDC ?? null
    case 'wear':
      return d.wearMm ?? null
    default: {
      const size = d[key.slice(0, 2) as 'LF' | 'DC' | 'RE']
      return size && (key.endsWith('lo') ? size.lower : key.endsWith('up') ? size.upper : size.nominal)
    }
  }
}
