/** A whole measurement of a tool, by its program or freely: open it, find its edges and places, take the pictures of each edge. */
import type { Bench } from '@/devices/bench/port'
import type { Feature } from '@/core/features'
import type { Picture } from '@/core/sets'
import type { ProgramStep } from '@/core/judge'
import { ok, type Result } from '@/core/units'
import {
  emptyLight,
  evenBench,
  findCorner,
  findEdges,
  measureEdge,
  positionsOf,
  standStill,
  type CycleError,
  type Gain,
  type Hint,
  type Positions,
  type Show,
} from './bench-cycle'

/** What is known of a tool before it is measured. */
export interface Task {
  /** Where the corner should be; null when nothing is known. */
  readonly hint: Hint | null
  /** Number of edges; null when it is not known. */
  readonly edges: number | null
  /** Whether its edges are looked for by a turn of the spindle; if not, they are taken to stand evenly. */
  readonly sweep: boolean
  /** A turning tool: its nose is looked for, whichever way it points. */
  readonly turning?: boolean
  /** What is measured, the tool itself first. */
  readonly steps: readonly ProgramStep[]
}

export interface Run {
  readonly bench: Bench
  readonly gain: Gain
  readonly task: Task
  readonly corner: Hint
  /** Where the tool itself is looked at; null until it was looked for. */
  readonly places: Positions | null
  readonly angles: readonly number[]
  /** How many edges a turn of the spindle showed; null until one was made. */
  readonly seen: number | null
}

const measureOf = ({ steps }: Task): readonly Feature[] => steps[0].features

/** Looks at the empty light, then brings the tool's corner into the picture. */
export async function openRun(raw: Bench, task: Task, show: Show): Promise<Result<Run, CycleError>> {
  const gain = await emptyLight(raw)
  const bench = evenBench(raw, gain)
  const corner = await findCorner(bench, task.hint, show)
  if (!corner.ok) return corner
  const angles = task.edges ? Array.from({ length: task.edges }, (_, i) => (360 * i) / task.edges!) : []
  return ok({ bench, gain, task, corner: corner.value, places: null, angles, seen: null })
}

/** Finds the edges by a turn, and the places that the tool is measured from; once for a tool. */
export async function prepareRun(run: Run, show: Show): Promise<Run> {
  const { bench, task, corner } = run
  if (run.places) return run
  const found = task.sweep || !task.edges ? await findEdges(bench, corner, show) : null
  const angles = found && (!task.edges || found.length === task.edges) ? found : run.angles
  await bench.turnTo(angles[0])
  const places = await positionsOf(bench, corner, measureOf(task), show)
  return { ...run, angles, seen: found && found.length, places }
}

/** Pictures of an edge in every step of the program. */
export async function takeEdge(run: Run, edge: number, show: Show): Promise<Picture[]> {
  const pictures: Picture[] = []
  for (const stage of run.task.steps.keys()) pictures.push(...(await takeStep(run, edge, stage, run.task.steps[stage], show)))
  return pictures
}

/** Pictures of an edge in one step. */
export async function takeStep(run: Run, edge: number, stage: number, step: ProgramStep, show: Show): Promise<Picture[]> {
  const { bench, places, corner, angles } = run
  if (!places) return []
  const at = step.at ? [{ x: step.at.xMm, z: places.tipZ - step.at.downMm }] : places.list
  return measureEdge(bench, { edge, angleDeg: angles[edge - 1], stage }, at, corner, show)
}

/** Goes to where a value is seen: a length at the tool's end, a diameter at its corner. */
export async function goToValue({ bench, places }: Run, key: 'LF' | 'DC'): Promise<void> {
  const place = key === 'LF' ? places?.list[places.list.length - 1] : places?.list[0]
  if (!place) return
  await bench.moveTo(place.x, place.z)
  await standStill(bench)
}
