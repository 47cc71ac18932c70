/** A step's text with its figures, in the reader's unit. */
import { Liquid } from 'liquidjs'
import type { Step, StepFacts } from '@/core/fits'
import { fail, formatLength, ok, unitMark, type LengthUnit, type Result } from '@/core/units'

/** @errors a template that cannot be read, or that names something a build does not know, with the reason */
export function stepText(
  step: Pick<Step, 'id' | 'text'>,
  facts: StepFacts,
  unit: LengthUnit,
): Result<string, { readonly code: 'BAD_STEP'; readonly step: string; readonly detail: string }> {
  const liquid = new Liquid({ strictFilters: true, strictVariables: true, ownPropertyOnly: true })
  liquid.registerFilter('length', (mm: unknown) =>
    typeof mm === 'number' ? `${formatLength(mm, unit, unit === 'mm' ? 2 : 3)} ${unitMark(unit)}` : '–',
  )
  const context = Object.fromEntries(Object.entries(facts).map(([key, value]) => [key, value ?? '–']))
  try {
    return ok(String(liquid.parseAndRenderSync(step.text, context)).replace(/\s+/g, ' ').trim())
  } catch (error) {
    return fail({ code: 'BAD_STEP', step: step.id, detail: error instanceof Error ? error.message : String(error) })
  }
}
