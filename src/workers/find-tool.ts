/** Brings a tool into the picture: its corner, and its end where that is not in the same view. */
import type { Bench, BenchPicture } from '@/devices/bench/port'
import { measureFrame, type FrameMeasurement } from '@/core/shapes'
import type { Feature } from '@/core/features'
import type { View } from '@/core/outline'
import { fail, ok, type Result } from '@/core/units'

export interface Hint {
  /** About where the corner is, mm. */
  readonly x: number
  readonly z: number
}

export type CycleError =
  { readonly code: 'NOTHING_FOUND' } | { readonly code: 'NOT_MEASURED'; readonly detail: string } | { readonly code: 'STOPPED' }

/** Called with each picture that is worth showing. */
export type Show = (picture: BenchPicture, found: FrameMeasurement | null, edge: number | null) => void

/** Where the carriage stands for a picture, mm. */
export interface Position {
  readonly x: number
  readonly z: number
}

/** The corner stands at these shares of the picture, from the left and from the top: most of flank and end in view. */
const CORNER_U = 0.66
const CORNER_V = 0.2
/** Nearer to the axis than this share of the radius the other edges come into sight. */
const OWN_SHARE = 0.45
/** The axis stands here when the end is looked at, as shares of the picture. */
const AXIS_U = 0.12
const END_V = 0.2
/** A carriage step of a search, as a share of the picture. */
const SEARCH_STEP = 0.7
const MOST_SEARCH = 160
const MOST_END_SEARCH = 24

export const viewOf = (bench: Pick<Bench, 'facts'>, p: BenchPicture): View => ({
  width: p.frame.width,
  height: p.frame.height,
  mmPerPixel: bench.facts.mmPerPixel,
  centreX: p.centreX,
  centreZ: p.centreZ,
})

const sizeMm = ({ facts }: Bench) => ({ x: facts.widthPx * facts.mmPerPixel.x, z: facts.heightPx * facts.mmPerPixel.z })

/** Where the carriage stands so that a corner at x, z stands where the picture wants it. */
function cornerPlace(bench: Bench, { x, z }: Hint): Position {
  const size = sizeMm(bench)
  const left = Math.max(x - CORNER_U * size.x, OWN_SHARE * x)
  return { x: left + size.x / 2, z: z - (0.5 - CORNER_V) * size.z }
}

const look = async (bench: Bench, measure: readonly Feature[]) => {
  const picture = await bench.grab()
  return { picture, read: measureFrame(picture.frame, viewOf(bench, picture), measure) }
}

/**
 * Brings the corner of the tool into the picture: from a hint, or by coming down over the axis until something is seen.
 * @returns where the corner is, about: where the outline reaches farthest out, and the highest place there
 */
export async function findCorner(bench: Bench, hint: Hint | null, show: Show): Promise<Result<Hint, CycleError>> {
  const size = sizeMm(bench)
  const start = hint ? cornerPlace(bench, hint) : { x: size.x * 0.2, z: bench.facts.reach.z }
  await bench.moveTo(start.x, start.z)
  let seen = false
  for (let step = 0; step < MOST_SEARCH; step++) {
    const { picture, read } = await look(bench, [])
    if (step % 4 === 0 || read.ok) show(picture, read.ok ? read.value : null, null)
    const { centreX: x, centreZ: z } = picture
    if (!read.ok) {
      const dark = read.error.code === 'TOO_DARK'
      if (dark) await bench.moveTo(x, z + size.z * SEARCH_STEP)
      else if (!seen && z > size.z / 2)
        await bench.moveTo(hint && step === 0 ? x : Math.min(x, size.x * 0.2), z - size.z * SEARCH_STEP)
      else return fail({ code: 'NOTHING_FOUND' })
      continue
    }
    seen = true
    const cut = read.value.warnings.map((w) => w.code)
    const corner = cornerIn(read.value, z - size.z / 2, bench.facts.mmPerPixel.x)
    if (cut.includes('CUT_OFF_RIGHT')) await bench.moveTo(x + size.x * 0.45, z)
    else if (corner) {
      const place = cornerPlace(bench, corner)
      await bench.moveTo(place.x, place.z)
      return ok(corner)
    } else if (cut.includes('CUT_OFF_TOP')) await bench.moveTo(x, z + size.z * 0.6)
    else await bench.moveTo(x, z - size.z * 0.3)
  }
  return fail({ code: 'NOTHING_FOUND' })
}

/** Where the outline reaches farthest out, unless it may go on doing so below the picture. */
function cornerIn({ outline, z }: FrameMeasurement, bottom: number, pixel: number): Hint | null {
  const far = Math.max(...outline.map((p) => p.x))
  const top = Math.max(...outline.filter((p) => p.x > far - 4 * pixel).map((p) => p.z))
  return top > bottom + LEAST_FLANK_MM ? { x: far, z: z?.value ?? top } : null
}
/** So much of a flank is seen below a corner at least, mm. */
const LEAST_FLANK_MM = 0.3

/** The carriage places from which an edge is measured, and how high the tool's tip stands, mm. */
export interface Positions {
  readonly list: readonly Position[]
  readonly tipZ: number
}

/**
 * An edge is measured at its corner; and at its end over the axis where the corner's picture does not show how high the
 * tool stands (a drill, a ball, a countersink) or the point's angle is asked for.
 */
export async function positionsOf(bench: Bench, corner: Hint, measure: readonly Feature[], show: Show): Promise<Positions> {
  const at = cornerPlace(bench, corner)
  await bench.moveTo(at.x, at.z)
  const { read } = await look(bench, measure)
  const height = read.ok ? (read.value.z?.value ?? null) : null
  const point = measure.includes('SIG')
  if (height !== null && !point && read.ok && !read.value.warnings.some((w) => w.code === 'NO_CORNER_ARC'))
    return { list: [at], tipZ: height }
  const end = await findEnd(bench, at.z, show)
  await bench.moveTo(at.x, at.z)
  if (!end) return { list: [at], tipZ: height ?? corner.z }
  // an end that is as high at its corner is seen there
  if (height !== null && !point && end.tipZ < height + LEVEL_MM) return { list: [at], tipZ: height }
  return { list: [at, end.place], tipZ: end.tipZ }
}
const LEVEL_MM = 0.15

/** Looks over the axis for the end of the tool; null when there is none to be had. */
async function findEnd(bench: Bench, fromZ: number, show: Show): Promise<{ place: Position; tipZ: number } | null> {
  const size = sizeMm(bench)
  const x = (0.5 - AXIS_U) * size.x
  await bench.moveTo(x, fromZ)
  for (let step = 0; step < MOST_END_SEARCH; step++) {
    const { picture, read } = await look(bench, ['RE'])
    const z = picture.centreZ
    if (!read.ok) await bench.moveTo(x, read.error.code === 'NO_EDGE' ? z - 0.5 * size.z : z + 0.5 * size.z)
    else if (read.value.warnings.some((w) => w.code === 'CUT_OFF_TOP')) await bench.moveTo(x, z + 0.5 * size.z)
    else {
      const tipZ = Math.max(...read.value.outline.map((p) => p.z))
      show(picture, read.value, null)
      return { place: { x, z: tipZ - (0.5 - END_V) * size.z }, tipZ }
    }
  }
  return null
}
