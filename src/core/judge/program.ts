/** How a definition's tools are measured: the tool itself, then further steps of it, each from its own carriage place. */
import { fail, ok, type Result } from '../units'
import type { Feature, SpecLimits } from '../features'
import type { CornerFrom } from '../sets'

export interface ProgramStep {
  readonly name: string
  /** Middle of the picture: from the spindle axis, and below the tool's tip, mm; null for the tool itself, whose places are found. */
  readonly at: { readonly xMm: number; readonly downMm: number } | null
  readonly features: readonly Feature[]
  /** What its corner is read from; left out: whichever explains itself. */
  readonly corner?: CornerFrom
  /** Angles in degrees, everything else mm; what is not in it is measured and not judged. */
  readonly limits: Readonly<Partial<Record<Feature, SpecLimits>>>
}

export interface MeasuringProgram {
  /** Id of the tool's definition. */
  readonly definition: string
  readonly version: number
  readonly at: string
  readonly personId: string
  readonly why: string
  /** The tool itself first. */
  readonly steps: readonly ProgramStep[]
  /** Pictures of the measurement it was kept from, below the data folder's `evidence`. */
  readonly evidence: string | null
}

export const MOST_STEPS = 12

export type ProgramError =
  | { readonly code: 'NO_STEP' }
  | { readonly code: 'TOO_MANY_STEPS' }
  | { readonly code: 'TOOL_FIRST' }
  | { readonly code: 'NO_NAME'; readonly step: number }
  | { readonly code: 'SAME_NAME'; readonly step: number }
  | { readonly code: 'ASKS_NOTHING'; readonly step: number }
  | { readonly code: 'LIMITS_TURNED'; readonly step: number; readonly feature: Feature }

/** Checks the steps of a program: the tool itself comes first and only once, every step has a name of its own and asks something. */
export function checkSteps(steps: readonly ProgramStep[]): Result<readonly ProgramStep[], ProgramError> {
  if (steps.length === 0) return fail({ code: 'NO_STEP' })
  if (steps.length > MOST_STEPS) return fail({ code: 'TOO_MANY_STEPS' })
  const names = steps.map((s) => s.name.trim().toLowerCase())
  for (const [step, { at, features, limits }] of steps.entries()) {
    if ((at === null) !== (step === 0)) return fail({ code: 'TOOL_FIRST' })
    if (!names[step]) return fail({ code: 'NO_NAME', step })
    if (names.indexOf(names[step]) < step) return fail({ code: 'SAME_NAME', step })
    if (!features.length) return fail({ code: 'ASKS_NOTHING', step })
    for (const feature of features) {
      const wanted = limits[feature]
      if (wanted && wanted.min !== null && wanted.min > wanted.max) return fail({ code: 'LIMITS_TURNED', step, feature })
    }
  }
  return ok(steps)
}
