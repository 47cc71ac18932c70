/** The bench in the browser: drives it, shows the live picture, runs the cycles and proposes values. */
import { expose } from 'comlink'
import { simulatedBench } from '@/devices/bench/simulated'
import { BENCH_FACTS, type Bench, type BenchPicture } from '@/devices/bench/port'
import { measureFrame, type FrameMeasurement } from '@/core/shapes'
import { measureProgram, type ProgramStep, type StepMeasured, type Zero } from '@/core/judge'
import type { Debris } from '@/core/outline'
import type { Picture, SetMeasurement } from '@/core/sets'
import { fail, normDeg, ok, type Result } from '@/core/units'
import { evenBench, resultOf, viewOf, type CycleError } from './bench-cycle'
import { startPacking } from './packing'
import { shownOf, type Shown } from './shown'
import { goToValue, openRun, prepareRun, takeEdge, takeStep, type Run, type Task } from './bench-run'

export interface OpenTool extends Task {
  readonly ticket: string
  /** What the last check found the axes to read too much, mm. */
  readonly zero: Zero
}

export interface Proposal {
  /** The tool itself. */
  readonly set: SetMeasurement
  /** Further steps of its program. */
  readonly steps: readonly StepMeasured[]
  readonly angles: readonly number[]
  /** How many edges a turn of the spindle showed; null where none was made. */
  readonly seen: number | null
}

interface State {
  run: Run
  readonly tool: OpenTool
  readonly pictures: Map<number, Picture[]>
  /** What sits on each edge, from all its pictures. */
  debris: ReadonlyMap<number, readonly Debris[]>
}

let state: State | null = null
const packing = startPacking()
/** Time left between two pictures while a tool is watched, ms: for what else the worker is asked. */
const WATCH_MS = 60
let watching = false
let listener: ((shown: Shown) => void) | null = null

function show(picture: BenchPicture, found: FrameMeasurement | null, edge: number | null): void {
  listener?.(shownOf(picture, viewOf({ facts: BENCH_FACTS }, picture), found, edge))
}

/**
 * Takes one picture of what is in view and shows what is found in it. What sits on an edge is taken from all its
 * pictures where there are some: a single one of a helical edge does not tell it from the edge.
 */
async function showNow(bench: Bench, edge: number | null): Promise<FrameMeasurement | null> {
  const picture = await bench.grab()
  const read = measureFrame(picture.frame, viewOf(bench, picture), ['RE'])
  const found = read.ok ? read.value : null
  const known = edge === null ? undefined : state?.debris.get(edge)
  // in one picture of a helix the farthest place is not how far the edge reaches: nothing is said of it
  const x = found?.explained ? found.x : null
  show(picture, found && { ...found, x, debris: known ?? (found.explained ? found.debris : []) }, edge)
  return found
}

const api = {
  listen(callback: (shown: Shown) => void) {
    listener = callback
  },

  /** Clamps a tool and brings its corner into the picture. */
  async open(tool: OpenTool): Promise<Result<{ angles: readonly number[] | null }, CycleError>> {
    state = null
    const run = await openRun(simulatedBench(tool.ticket, tool.zero), tool, show)
    if (!run.ok) return run
    state = { run: run.value, tool, pictures: new Map(), debris: new Map() }
    const { angles, bench } = run.value
    await showNow(bench, angles.length ? 1 : null)
    return ok({ angles: tool.edges ? angles : null })
  },

  /** Turns to each edge in turn and measures it; looks for the edges first. */
  async measureAll(onEdge: (edge: number, of: number) => void): Promise<Result<Proposal, CycleError>> {
    if (!state) return fail({ code: 'STOPPED' })
    state.run = await prepareRun(state.run, show)
    state.pictures.clear()
    const { length } = state.run.angles
    for (let edge = 1; edge <= length; edge++) {
      onEdge(edge, length)
      await measureInto(state, edge)
    }
    return propose()
  },

  async measureOne(edge: number): Promise<Result<Proposal, CycleError>> {
    if (!state || state.run.angles[edge - 1] === undefined) return fail({ code: 'STOPPED' })
    state.run = await prepareRun(state.run, show)
    await measureInto(state, edge)
    return propose()
  },

  /** Measures one step of a program at one edge, without keeping it. */
  async tryStep(step: ProgramStep): Promise<Result<SetMeasurement, CycleError>> {
    if (!state) return fail({ code: 'STOPPED' })
    state.run = await prepareRun(state.run, show)
    const pictures = await takeStep(state.run, 1, step.at ? 1 : 0, step, show)
    const { bench } = state.run
    if (step.at) await bench.moveTo(step.at.xMm, state.run.places!.tipZ - step.at.downMm)
    await bench.turnTo(state.run.angles[0])
    await showNow(bench, 1)
    return resultOf(bench, pictures, step.features, state.run.task.turning)
  },

  /** Where the carriage stands, as a step of a program says it: from the axis, and below the tool's tip, mm. */
  async placeNow(): Promise<{ readonly xMm: number; readonly downMm: number } | null> {
    if (!state) return null
    const at = await state.run.bench.grab()
    state.run = await prepareRun(state.run, () => undefined)
    await state.run.bench.moveTo(at.centreX, at.centreZ)
    return { xMm: at.centreX, downMm: state.run.places!.tipZ - at.centreZ }
  },

  /** Turns to an edge and shows it, without measuring. */
  async goTo(edge: number): Promise<void> {
    if (!state || state.run.angles[edge - 1] === undefined) return
    const { run } = state
    await goToValue(run, 'DC')
    await run.bench.turnTo(run.angles[edge - 1])
    await showNow(run.bench, edge)
  },

  /** Moves the carriage by hand, by pixels of the picture, and turns the spindle, degrees; shows what is in view then. */
  async move(byU: number, byV: number, byDeg: number): Promise<void> {
    if (!state) return
    const { bench, angles } = state.run
    const at = await bench.grab()
    const { x, z } = bench.facts.mmPerPixel
    await bench.moveTo(at.centreX + byU * x, at.centreZ - byV * z)
    const spindleDeg = normDeg(at.spindleDeg + byDeg)
    await bench.turnTo(spindleDeg)
    const edge = angles.findIndex((a) => Math.abs(normDeg(a - spindleDeg + 180) - 180) < 0.5)
    await showNow(bench, edge < 0 ? null : edge + 1)
  },

  /** Takes pictures of an edge again and again, as fast as they come, until it is told to stop. */
  async watch(edge: number, key: 'LF' | 'DC', each: (x: number | null, z: number | null) => void): Promise<void> {
    if (!state || state.run.angles[edge - 1] === undefined) return
    watching = true
    await goToValue(state.run, key)
    await state.run.bench.turnTo(state.run.angles[edge - 1])
    while (watching && state) {
      const found = await showNow(state.run.bench, edge)
      each(found?.x?.value ?? null, found?.z?.value ?? null)
      await new Promise((done) => setTimeout(done, WATCH_MS))
    }
  },
  unwatch() {
    watching = false
  },

  /** The tool on the spindle was touched: its stand-in draws from another ticket now. */
  async refresh(ticket: string): Promise<void> {
    if (!state) return
    const { run, tool } = state
    const before = await run.bench.grab()
    const bench = evenBench(simulatedBench(ticket, tool.zero), run.gain)
    state.run = { ...run, bench }
    await bench.turnTo(before.spindleDeg)
    await bench.moveTo(before.centreX, before.centreZ)
  },

  /** The pictures of all edges as a frame set, for the server to measure again. */
  async pack(): Promise<Uint8Array<ArrayBuffer> | null> {
    if (!state || state.pictures.size === 0) return null
    const { pictures, run } = state
    const all = [...pictures.keys()].sort((a, b) => a - b).flatMap((edge) => pictures.get(edge)!)
    return packing.zip(all, run.bench.facts.mmPerPixel, run.task.steps[0].features)
  },
}

async function measureInto({ run, pictures }: State, edge: number): Promise<void> {
  const taken = await takeEdge(run, edge, show)
  packing.take(taken)
  pictures.set(edge, taken)
}

function propose(): Result<Proposal, CycleError> {
  if (!state) return fail({ code: 'STOPPED' })
  const { run, pictures } = state
  const { mmPerPixel } = run.bench.facts
  const measured = measureProgram([...pictures.values()].flat(), mmPerPixel, run.task.steps, run.task.turning)
  if (!measured.ok) return fail({ code: 'NOT_MEASURED', detail: measured.error.code })
  state.debris = new Map(measured.value.tool.edges.map((e) => [e.edge, e.debris]))
  return ok({ set: measured.value.tool, steps: measured.value.steps, angles: run.angles, seen: run.seen })
}

export type BenchApi = typeof api

expose(api)
