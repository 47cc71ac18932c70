/** Pictures of a whole program measured: those of each step by themselves. */
import { ok, type Result } from '../units'
import { measureSet, summarise, type Picture, type SetError, type SetMeasurement } from './measure-set'
import type { ProgramStep } from './program'
import type { StepMeasured } from './result'
import type { View } from './view'

export interface ProgramMeasured {
  /** The tool itself. */
  readonly tool: SetMeasurement
  readonly steps: readonly StepMeasured[]
}

/**
 * @param steps of the program, the tool itself first
 * @errors as of a set of pictures, of the first step that cannot be measured
 */
export function measureProgram(
  pictures: readonly Picture[],
  mmPerPixel: View['mmPerPixel'],
  steps: readonly ProgramStep[],
): Result<ProgramMeasured, SetError> {
  const measured: SetMeasurement[] = []
  for (const [stage, { features }] of steps.entries()) {
    const own = pictures.filter((p) => (p.stage ?? 0) === stage)
    if (stage > 0 && own.length === 0) {
      measured.push({ measure: features, edges: [], summary: summarise([], features), warnings: [] })
      continue
    }
    const set = measureSet(own, mmPerPixel, features)
    if (set.ok) measured.push(set.value)
    // a step that shows nothing of what it asks for is missing, the rest of the tool is not
    else if (stage > 0 && set.error.code === 'NOTHING_MEASURED')
      measured.push({ measure: features, edges: [], summary: summarise([], features), warnings: [] })
    else return set
  }
  return ok({
    tool: measured[0],
    steps: steps.slice(1).map(({ name, limits }, i) => ({ name, set: measured[i + 1], limits })),
  })
}
