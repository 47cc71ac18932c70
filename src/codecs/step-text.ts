/** A step's text with its figures, in the reader's unit. */
import type { Step, StepFacts } from '@/core/fits'
import { fail, formatLength, formatQuantity, ok, unitMark, type Result, type Units } from '@/core/units'
import { filledIn, templateEngine } from './template'

/** Stands where a figure is not known; what says it is left out. */
const MISSING = '–'

/** Leaves out each clause that would show a missing figure: a step says what is known, and nothing else. */
function withoutMissing(text: string): string {
  if (!text.includes(MISSING)) return text
  return text
    .split(/(?<=[.!?])\s+/)
    .flatMap((sentence) => {
      if (!sentence.includes(MISSING)) return [sentence]
      const kept = sentence
        .replace(/[.!?]$/, '')
        .split(/[,;:]\s+/)
        .filter((clause) => !clause.includes(MISSING))
      return kept.length ? [`${kept.join(', ')}.`] : []
    })
    .join(' ')
}

/** @errors a template that cannot be read, or that names something a build does not know, with the reason */
export function stepText(
  step: Pick<Step, 'id' | 'text'>,
  facts: StepFacts,
  units: Units,
): Result<string, { readonly code: 'BAD_STEP'; readonly step: string; readonly detail: string }> {
  const liquid = templateEngine()
  const unit = units.length
  const said = (quantity: 'torque' | 'temperature', decimals: number) => (value: unknown) =>
    typeof value === 'number' ? formatQuantity(value, quantity, units, decimals) : MISSING
  liquid.registerFilter('torque', said('torque', 1))
  liquid.registerFilter('temperature', said('temperature', 0))
  liquid.registerFilter('length', (mm: unknown) =>
    typeof mm === 'number' ? `${formatLength(mm, unit, unit === 'mm' ? 2 : 3)} ${unitMark(unit)}` : MISSING,
  )
  const context = Object.fromEntries(Object.entries(facts).map(([key, value]) => [key, value ?? MISSING]))
  try {
    return ok(
      withoutMissing(filledIn(liquid.parseAndRenderSync(step.text, context)))
        .replace(/\s+/g, ' ')
        .trim(),
    )
  } catch (error) {
    return fail({ code: 'BAD_STEP', step: step.id, detail: error instanceof Error ? error.message : String(error) })
  }
}
