/** Pictures of a whole program measured: those of each step by themselves, edge by edge. */
import { ok, type Result } from '../units'
import type { Feature } from '../features'
import {
  joinEdges,
  measureEdge,
  summarise,
  type CornerFrom,
  type EdgeRead,
  type Picture,
  type SetError,
  type SetMeasurement,
} from '../sets'
import type { ProgramStep } from './program'
import type { StepMeasured } from './result'
import type { View } from '../outline'

export interface ProgramMeasured {
  /** The tool itself. */
  readonly tool: SetMeasurement
  readonly steps: readonly StepMeasured[]
}

/** A frame set measured, with the scale its pictures have. */
export interface FramesMeasured {
  readonly measured: ProgramMeasured
  readonly mmPerPixel: View['mmPerPixel']
  /** What the middle of each picture is, mm. */
  readonly places: readonly Pick<View, 'centreX' | 'centreZ'>[]
}

type Taken = Pick<Picture, 'name' | 'edge' | 'stage'>

/** The pictures of one edge at one step: they are measured by themselves, so also somewhere else and beside each other. */
export interface EdgeTask<P extends Taken> {
  readonly stage: number
  readonly edge: number
  readonly measure: readonly Feature[]
  readonly corner?: CornerFrom
  readonly pictures: readonly P[]
}

/** @param steps of the program, the tool itself first */
export function edgeTasks<P extends Taken>(
  pictures: readonly P[],
  steps: readonly Pick<ProgramStep, 'features' | 'corner'>[],
): EdgeTask<P>[] {
  return steps.flatMap(({ features, corner }, stage) => {
    const own = pictures.filter((p) => (p.stage ?? 0) === stage)
    return [...new Set(own.map((p) => p.edge))].map((edge) => ({
      stage,
      edge,
      measure: features,
      ...(corner ? { corner } : {}),
      pictures: own.filter((p) => p.edge === edge),
    }))
  })
}

/** @errors as of a set of pictures, of the first step that cannot be measured */
export function joinProgram(
  done: readonly { readonly task: EdgeTask<Taken>; readonly read: Result<EdgeRead, SetError> }[],
  steps: readonly ProgramStep[],
): Result<ProgramMeasured, SetError> {
  const measured: SetMeasurement[] = []
  for (const [stage, { features }] of steps.entries()) {
    const own = done.filter(({ task }) => task.stage === stage)
    const nothing = { measure: features, edges: [], summary: summarise([], features), warnings: [] }
    if (stage > 0 && own.length === 0) {
      measured.push(nothing)
      continue
    }
    const set = joinEdges(
      own.map(({ read }) => read),
      own.flatMap(({ task }) => task.pictures.map((p) => p.name)),
      features,
    )
    if (set.ok) measured.push(set.value)
    // a step that shows nothing of what it asks for is missing, the rest of the tool is not
    else if (stage > 0 && set.error.code === 'NOTHING_MEASURED') measured.push(nothing)
    else return set
  }
  return ok({
    tool: measured[0],
    steps: steps.slice(1).map(({ name, limits }, i) => ({ name, set: measured[i + 1], limits })),
  })
}

/**
 * @param steps of the program, the tool itself first
 * @errors as of a set of pictures, of the first step that cannot be measured
 */
export function measureProgram(
  pictures: readonly Picture[],
  mmPerPixel: View['mmPerPixel'],
  steps: readonly ProgramStep[],
  turning = false,
): Result<ProgramMeasured, SetError> {
  const done = edgeTasks(pictures, steps).map((task) => ({
    task,
    read: measureEdge(task.pictures, mmPerPixel, task.measure, turning, task.corner),
  }))
  return joinProgram(done, steps)
}
