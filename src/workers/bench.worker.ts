/** The bench in the browser: drives it, shows the live picture, runs the cycles and proposes values. */
import { expose } from 'comlink'
import { encodeFrameSet } from '@/codecs/frame-set'
import { simulatedBench } from '@/devices/bench/simulated'
import type { Bench, BenchPicture } from '@/devices/bench/port'
import {
  measureFrame,
  mmToPixel,
  type Feature,
  type FrameMeasurement,
  type Picture,
  type SetMeasurement,
  type Zero,
} from '@/core/measure'
import { fail, normDeg, ok, type Result } from '@/core/units'
import { findCorner, findEdges, measureEdge, resultOf, viewOf, type CycleError, type Hint } from './bench-cycle'

/** A picture for the page: grey levels and what was found in it, in pixels. */
export interface Shown {
  readonly width: number
  readonly height: number
  readonly grey: Uint8Array
  readonly spindleDeg: number
  readonly edge: number | null
  readonly focus: number | null
  /** The outline as u,v pairs. */
  readonly outline: Float32Array
  readonly x: { readonly u: number; readonly v: number; readonly mm: number } | null
  readonly z: { readonly u: number; readonly v: number; readonly mm: number } | null
  readonly debris: readonly { readonly u: number; readonly v: number; readonly highMm: number; readonly sidePx: number }[]
}

export interface OpenTool {
  readonly ticket: string
  /** Where the corner should be; null when nothing is known. */
  readonly hint: Hint | null
  /** Number of edges; null to find them by a turn. */
  readonly edges: number | null
  readonly measure: readonly Feature[]
  /** What the last check found the axes to read too much, mm. */
  readonly zero: Zero
}

export interface Proposal {
  readonly set: SetMeasurement
  readonly angles: readonly number[]
}

interface State {
  bench: Bench
  tool: OpenTool
  angles: number[]
  pictures: Map<number, Picture[]>
}

let state: State | null = null
/** Time left between two pictures while a tool is watched, ms: for what else the worker is asked. */
const WATCH_MS = 60
let watching = false
let listener: ((shown: Shown) => void) | null = null

function show(picture: BenchPicture, found: FrameMeasurement | null, edge: number | null): void {
  if (!listener || !state) return
  const view = viewOf(state.bench, picture)
  const points = found?.outline ?? []
  const outline = new Float32Array(2 * points.length)
  points.forEach((p, i) => {
    const { u, v } = mmToPixel(view, p)
    outline[2 * i] = u
    outline[2 * i + 1] = v
  })
  const facing = (axis: 'x' | 'z', value: number) => {
    const near = points.filter((p) => Math.abs(p[axis] - value) < 2 * view.mmPerPixel[axis])
    const other = axis === 'x' ? 'z' : 'x'
    const middle = near.length ? near.reduce((s, p) => s + p[other], 0) / near.length : axis === 'x' ? view.centreZ : view.centreX
    return { ...mmToPixel(view, axis === 'x' ? { x: value, z: middle } : { x: middle, z: value }), mm: value }
  }
  listener({
    width: view.width,
    height: view.height,
    grey: picture.frame.data,
    spindleDeg: picture.spindleDeg,
    edge,
    focus: found?.focus ?? null,
    outline,
    x: found?.x ? facing('x', found.x.value) : null,
    z: found?.z ? facing('z', found.z.value) : null,
    debris: (found?.debris ?? []).map((d) => ({
      ...mmToPixel(view, d),
      highMm: d.high,
      sidePx: Math.max(26, (2.4 * d.high) / view.mmPerPixel.x + 16),
    })),
  })
}

const api = {
  listen(callback: (shown: Shown) => void) {
    listener = callback
  },

  /** Clamps a tool and brings its corner into the picture. */
  async open(tool: OpenTool): Promise<Result<{ angles: readonly number[] | null }, CycleError>> {
    state = { bench: simulatedBench(tool.ticket, tool.zero), tool, angles: [], pictures: new Map() }
    if (tool.edges) state.angles = Array.from({ length: tool.edges }, (_, i) => (360 * i) / tool.edges!)
    const found = await findCorner(state.bench, tool.hint, show)
    if (!found.ok) return found
    const picture = await state.bench.grab()
    const read = measureFrame(picture.frame, viewOf(state.bench, picture), ['RE'])
    show(picture, read.ok ? read.value : null, state.angles.length ? 1 : null)
    return ok({ angles: tool.edges ? state.angles : null })
  },

  /** Turns to each edge in turn and measures it; finds the edges first when their number is not known. */
  async measureAll(onEdge: (edge: number, of: number) => void): Promise<Result<Proposal, CycleError>> {
    if (!state) return fail({ code: 'STOPPED' })
    const { bench, tool } = state
    if (!tool.edges) state.angles = await findEdges(bench, show)
    state.pictures.clear()
    for (let i = 0; i < state.angles.length; i++) {
      onEdge(i + 1, state.angles.length)
      state.pictures.set(i + 1, await measureEdge(bench, i + 1, state.angles[i], show))
    }
    return propose()
  },

  async measureOne(edge: number): Promise<Result<Proposal, CycleError>> {
    if (!state || !state.angles[edge - 1]?.toFixed) return fail({ code: 'STOPPED' })
    state.pictures.set(edge, await measureEdge(state.bench, edge, state.angles[edge - 1], show))
    return propose()
  },

  /** Turns to an edge and shows it, without measuring. */
  async goTo(edge: number): Promise<void> {
    if (!state || state.angles[edge - 1] === undefined) return
    await state.bench.turnTo(state.angles[edge - 1])
    const picture = await state.bench.grab()
    const read = measureFrame(picture.frame, viewOf(state.bench, picture), ['RE'])
    show(picture, read.ok ? read.value : null, edge)
  },

  /** Moves the carriage by hand, by pixels of the picture, and turns the spindle, degrees; shows what is in view then. */
  async move(byU: number, byV: number, byDeg: number): Promise<void> {
    if (!state) return
    const { bench, angles } = state
    const at = await bench.grab()
    const { x, z } = bench.facts.mmPerPixel
    await bench.moveTo(at.centreX + byU * x, at.centreZ - byV * z)
    await bench.turnTo(normDeg(at.spindleDeg + byDeg))
    const picture = await bench.grab()
    const read = measureFrame(picture.frame, viewOf(bench, picture), ['RE'])
    const edge = angles.findIndex((a) => Math.abs(normDeg(a - picture.spindleDeg + 180) - 180) < 0.5)
    show(picture, read.ok ? read.value : null, edge < 0 ? null : edge + 1)
  },

  /** Takes pictures of an edge again and again, as fast as they come, until it is told to stop. */
  async watch(edge: number, each: (x: number | null, z: number | null) => void): Promise<void> {
    if (!state || state.angles[edge - 1] === undefined) return
    watching = true
    await state.bench.turnTo(state.angles[edge - 1])
    while (watching && state) {
      const picture = await state.bench.grab()
      const read = measureFrame(picture.frame, viewOf(state.bench, picture), ['RE'])
      show(picture, read.ok ? read.value : null, edge)
      each(read.ok ? (read.value.x?.value ?? null) : null, read.ok ? (read.value.z?.value ?? null) : null)
      await new Promise((done) => setTimeout(done, WATCH_MS))
    }
  },
  unwatch() {
    watching = false
  },

  /** The tool on the spindle was touched: its stand-in draws from another ticket now. */
  async refresh(ticket: string): Promise<void> {
    if (!state) return
    const before = await state.bench.grab()
    state.bench = simulatedBench(ticket, state.tool.zero)
    await state.bench.turnTo(before.spindleDeg)
    await state.bench.moveTo(before.centreX, before.centreZ)
  },

  /** The pictures of all edges as a frame set, for the server to measure again. */
  async pack(): Promise<Uint8Array<ArrayBuffer> | null> {
    if (!state || state.pictures.size === 0) return null
    const pictures = [...state.pictures.keys()].sort((a, b) => a - b).flatMap((edge) => state!.pictures.get(edge)!)
    return encodeFrameSet({ mmPerPixel: state.bench.facts.mmPerPixel, measure: state.tool.measure, pictures })
  },
}

function propose(): Result<Proposal, CycleError> {
  if (!state) return fail({ code: 'STOPPED' })
  const result = resultOf(state.bench, [...state.pictures.values()].flat(), state.tool.measure)
  return result.ok ? ok({ set: result.value, angles: state.angles }) : result
}

export type BenchApi = typeof api

expose(api)
