/** The text in a tool's label code, and the other codes of the tool room: machine, badge, action card. */
import { LABEL_ORDER, labelFields, type HandoverValues, type LabelField } from '@/core/handover'
import { fail, ok, unitToMm, type LengthUnit, type Result } from '@/core/units'
import { decodeLine, encodeLine } from './tagged-line'

export interface LabelContent {
  readonly serial: string
  readonly issue: number
  readonly t: number
  readonly machine: string
  readonly unit: LengthUnit
  readonly lengthMm: number
  readonly radiusMm: number | null
  readonly cornerRadiusMm: number | null
  /** As written, to compare with what the record would write. */
  readonly fields: Readonly<Partial<Record<LabelField, string>>>
  readonly unknown: Readonly<Record<string, string>>
}

export type LabelError = { readonly code: 'NOT_A_LABEL' } | { readonly code: 'BAD_CRC' }

export function encodeLabel(values: HandoverValues): string {
  const fields = labelFields(values)
  return encodeLine(
    'BT1',
    LABEL_ORDER.flatMap((key) => (fields[key] === undefined ? [] : [[key, fields[key]] as const])),
  )
}

const WHOLE = /^\d{1,9}$/
const DECIMAL = /^[+-]?(\d+\.?\d*|\.\d+)$/

export function decodeLabel(text: string): Result<LabelContent, LabelError> {
  const line = decodeLine(text, 'BT1')
  if (!line.ok) return fail({ code: line.error.code === 'BAD_CRC' ? 'BAD_CRC' : 'NOT_A_LABEL' })
  const { fields } = line.value
  const [S, I, T, M, L, U] = ['S', 'I', 'T', 'M', 'L', 'U'].map((key) => fields.get(key) ?? '')
  if (S === '' || M === '' || !WHOLE.test(I) || !WHOLE.test(T) || !DECIMAL.test(L) || (U !== 'MM' && U !== 'IN'))
    return fail({ code: 'NOT_A_LABEL' })
  const unit: LengthUnit = U === 'MM' ? 'mm' : 'inch'
  for (const key of ['X', 'Z', 'E']) if (fields.has(key) && !DECIMAL.test(fields.get(key)!)) return fail({ code: 'NOT_A_LABEL' })
  const length = (key: string) => (fields.has(key) ? unitToMm(Number(fields.get(key)), unit) : null)
  const known: readonly string[] = LABEL_ORDER
  return ok({
    serial: S,
    issue: Number(I),
    t: Number(T),
    machine: M,
    unit,
    lengthMm: unitToMm(Number(L), unit),
    radiusMm: length('X'),
    cornerRadiusMm: length('E'),
    fields: Object.fromEntries([...fields].filter(([key]) => known.includes(key))),
    unknown: Object.fromEntries([...fields].filter(([key]) => !known.includes(key))),
  })
}

/** Whether a label says what the record says; digits beyond the written ones make no difference. */
export function labelAgrees(label: LabelContent, values: HandoverValues): boolean {
  const wanted = labelFields(values)
  return LABEL_ORDER.every((key) => {
    const a = label.fields[key]
    const b = wanted[key]
    if (a === undefined || b === undefined) return a === b
    return key === 'S' || key === 'M' || key === 'U' || key === 'A' ? a === b : Number(a) === Number(b)
  })
}

export const encodeMachineLabel = (key: string): string => encodeLine('BM1', [['M', key]])
export const encodeBadge = (personId: string): string => encodeLine('BP1', [['P', personId]])
/** A drawer, a board or a slot of the store. */
export const encodePlace = (placeId: string): string => encodeLine('BL1', [['P', placeId]])
/** A card on the bench: scanning it does what the big button on the screen would do. */
export const ACTION_CARD = encodeLine('BC1', [['A', 'GO']])
/** What a slow scanner is set up with. */
export const TEST_CODE = encodeLine('BC1', [['A', 'TEST']])

export type Scan =
  | { readonly type: 'label'; readonly label: LabelContent; readonly text: string }
  | { readonly type: 'machine'; readonly key: string }
  | { readonly type: 'badge'; readonly personId: string }
  | { readonly type: 'place'; readonly placeId: string }
  | { readonly type: 'action' }
  | { readonly type: 'test' }
  | { readonly type: 'damaged' }
  /** Anything else: a serial, a job, something unknown. */
  | { readonly type: 'plain'; readonly text: string }

/** What kind of code a scan is, from its text alone. */
export function readScan(raw: string): Scan {
  const text = raw.trim()
  if (text.startsWith('BT1;')) {
    const label = decodeLabel(text)
    return label.ok ? { type: 'label', label: label.value, text } : { type: 'damaged' }
  }
  for (const [prefix, key] of [
    ['BM1', 'M'],
    ['BP1', 'P'],
    ['BC1', 'A'],
    ['BL1', 'P'],
  ] as const) {
    if (!text.startsWith(`${prefix};`)) continue
    const line = decodeLine(text, prefix)
    const value = line.ok ? line.value.fields.get(key) : undefined
    if (!value) return { type: 'damaged' }
    return prefix === 'BM1'
      ? { type: 'machine', key: value }
      : prefix === 'BP1'
        ? { type: 'badge', personId: value }
        : prefix === 'BL1'
          ? { type: 'place', placeId: value }
          : { type: value === 'TEST' ? 'test' : 'action' }
  }
  return { type: 'plain', text }
}
