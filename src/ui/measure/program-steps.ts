/** A program's steps as they stand in a form, in the unit of the screen, and back. */
import { FEATURES, type Feature, type SpecLimits } from '@/core/features'
import { isAngle, type ProgramStep } from '@/core/judge'
import {
  decimalsOf,
  fail,
  mmToUnit,
  ok,
  parseLength,
  typedNumber,
  roundTo,
  unitMark,
  type LengthUnit,
  type Result,
} from '@/core/units'
import { say } from '@/words/screens/measure'

export interface StepFields {
  name: string
  /** null for the tool itself. */
  at: ProgramStep['at']
  /** Empty: whichever explains itself. */
  corner: '' | 'single' | 'turn'
  asked: Record<Feature, boolean>
  limits: Record<Feature, { min: string; max: string }>
}

const written = (feature: Feature, value: number | null | undefined, unit: LengthUnit) =>
  value === null || value === undefined
    ? ''
    : String(isAngle(feature) ? roundTo(value, 4) : roundTo(mmToUnit(value, unit), decimalsOf(unit) + 1))

export const fieldsOf = (step: ProgramStep, unit: LengthUnit): StepFields => ({
  name: step.name,
  at: step.at,
  corner: step.corner ?? '',
  asked: Object.fromEntries(FEATURES.map((f) => [f, step.features.includes(f)])) as StepFields['asked'],
  limits: Object.fromEntries(
    FEATURES.map((f) => [f, { min: written(f, step.limits[f]?.min, unit), max: written(f, step.limits[f]?.max, unit) }]),
  ) as StepFields['limits'],
})

/** @errors a sentence that names the step and what cannot be read */
export function stepOf(fields: StepFields, unit: LengthUnit): Result<ProgramStep, string> {
  const limits: Partial<Record<Feature, SpecLimits>> = {}
  const features = FEATURES.filter((f) => fields.asked[f])
  for (const feature of features) {
    const { min, max } = fields.limits[feature]
    if (!min.trim() && !max.trim()) continue
    const least = min.trim() ? read(min, feature, unit) : null
    const most = read(max, feature, unit)
    if (most === null || (min.trim() && least === null))
      return fail(say.theLimitsOfCannotBe(fields.name || say.aStep, feature, isAngle(feature) ? 'degrees' : unitMark(unit)))
    limits[feature] = { min: least, max: most }
  }
  const { corner } = fields
  return ok({ name: fields.name.trim(), at: fields.at, features, limits, ...(corner ? { corner } : {}) })
}

function read(text: string, feature: Feature, unit: LengthUnit): number | null {
  if (isAngle(feature)) {
    const degrees = typedNumber(text.replace('°', ''))
    return Number.isFinite(degrees) ? degrees : null
  }
  const length = parseLength(text, unit)
  return length.ok ? length.value : null
}
