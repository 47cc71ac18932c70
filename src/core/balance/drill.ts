import { absOf, argOf, minus, polar, ZERO, type Complex } from '../numeric'
import { degToRad, normDeg, radToDeg } from '../units'
import { shareOut } from './places'

/** A bit and what it drills into. Depth is to the tip, from a flat surface at `radiusMm`, towards the axis. */
export interface Bit {
  readonly radiusMm: number
  readonly diameterMm: number
  readonly pointDeg: number
  readonly densityGcm3: number
  readonly maxDepthMm: number
}

export interface DrillPlane extends Bit {
  /** The heavy place, g·mm. */
  readonly need: Complex
  /** Arcs in which nothing is drilled, anticlockwise from … to, degrees; a hole keeps its edge out of them. */
  readonly never?: readonly { readonly from: number; readonly to: number }[]
}

export interface Hole {
  readonly deg: number
  readonly depthMm: number
  readonly removedG: number
}

export interface DrillFit {
  readonly holes: readonly Hole[]
  readonly residual: Complex
}

/**
 * What a hole takes away. A whole one is a cylinder and the cone of its point; one whose tip is not fully in is a cone.
 * @returns mass in g and its unbalance in g·mm: mass times the distance of its centre from the axis
 */
export function drilled({ radiusMm, diameterMm, pointDeg, densityGcm3 }: Bit, depthMm: number): { massG: number; gmm: number } {
  const slope = Math.tan(degToRad(pointDeg / 2))
  const cone = Math.min(depthMm, diameterMm / 2 / slope)
  const straight = depthMm - cone
  const gPerMm3 = densityGcm3 / 1000
  const area = Math.PI * (cone * slope) ** 2
  const coneG = (gPerMm3 * area * cone) / 3
  const straightG = gPerMm3 * area * straight
  // a cone's centre is a quarter of its height from its base
  return { massG: coneG + straightG, gmm: straightG * (radiusMm - straight / 2) + coneG * (radiusMm - straight - cone / 4) }
}

/** The depth that takes away so much, by halving; the most where it is not enough. */
export function depthFor(bit: Bit, gmm: number): number {
  let low = 0
  let high = Math.min(bit.maxDepthMm, bit.radiusMm)
  if (drilled(bit, high).gmm <= gmm) return high
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (drilled(bit, middle).gmm < gmm) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/**
 * Holes on the heavy side, as few as do it, at least two diameters from middle to middle. A hole too deep becomes two beside it, and so on;
 * beyond a quarter turn from the heavy place a hole would do harm.
 */
export function drillHoles(plane: DrillPlane): DrillFit {
  const size = absOf(plane.need)
  const most = drilled(plane, Math.min(plane.maxDepthMm, plane.radiusMm)).gmm
  if (size === 0 || most === 0) return { holes: [], residual: plane.need }
  const apart = 2 * Math.asin(Math.min(1, plane.diameterMm / plane.radiusMm))
  const heavy = argOf(plane.need)
  let best: DrillFit = { holes: [], residual: plane.need }
  for (let count = 1; count * apart <= Math.PI + apart && count * apart <= 2 * Math.PI + 1e-9; count++) {
    for (const places of rows(plane, heavy, apart, count)) {
      const fit = filled(plane, places, most)
      if (absOf(fit.residual) < absOf(best.residual) - size * 1e-9) best = fit
    }
    if (absOf(best.residual) <= size * 1e-6) break
  }
  return best
}

/** Rows of so many places about the heavy place: in the middle of it, and pushed off what must not be drilled, to either side. */
function rows(plane: DrillPlane, heavy: number, apart: number, count: number): readonly (readonly number[])[] {
  const middle = Array.from({ length: count }, (_, i) => heavy + (i - (count - 1) / 2) * apart)
  const never = plane.never ?? []
  if (never.length === 0) return [middle]
  const half = Math.asin(Math.min(1, plane.diameterMm / 2 / plane.radiusMm))
  const free = (rad: number) => never.every(({ from, to }) => !within(rad, degToRad(from) - half, degToRad(to) + half))
  // every free place, half a degree apart, nearest to the heavy place first, to one side and to the other
  const step = Math.PI / 360
  const spread = (side: number, from: number, wanted: number): number[] => {
    const found: number[] = []
    for (let turn = from; turn < Math.PI / 2 && found.length < wanted; turn += step)
      if (free(heavy + side * turn) && (found.length === 0 || turn - found[found.length - 1] >= apart - 1e-9)) found.push(turn)
    return found.map((turn) => heavy + side * turn)
  }
  const all: number[][] = middle.every(free) ? [middle] : []
  for (let left = 0; left <= count; left++) {
    const one = spread(-1, 0, left)
    const nearest = one.length ? heavy - one[0] : -Infinity
    const two = spread(1, Math.max(0, apart - nearest), count - left)
    if (one.length + two.length === count) all.push([...one, ...two])
    const other = spread(1, 0, count - left)
    const first = other.length ? other[0] - heavy : -Infinity
    const mirrored = spread(-1, Math.max(0, apart - first), left)
    if (other.length + mirrored.length === count) all.push([...mirrored, ...other])
  }
  return all
}

const within = (rad: number, from: number, to: number): boolean => {
  const turn = (x: number) => ((x % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)
  return turn(rad - from) < Math.min(turn(to - from) || 2 * Math.PI, 2 * Math.PI)
}

/** How deep at each place. */
function filled(plane: DrillPlane, places: readonly number[], most: number): DrillFit {
  const amounts = shareOut(
    plane.need,
    places.map((rad) => ({ deg: radToDeg(rad), mostGmm: most })),
  )
  const holes = places.flatMap((rad, i): readonly Hole[] => {
    if (amounts[i] <= most * 1e-9) return []
    const depthMm = depthFor(plane, amounts[i])
    return [{ deg: normDeg(radToDeg(rad)), depthMm, removedG: drilled(plane, depthMm).massG }]
  })
  return { holes, residual: leftAfter(plane, holes) }
}

/** What holes of such depths leave, g·mm. */
export const leftAfter = (plane: DrillPlane, holes: readonly Hole[]): Complex =>
  minus(
    plane.need,
    holes.reduce((sum, { deg, depthMm }) => {
      const part = polar(drilled(plane, depthMm).gmm, degToRad(deg))
      return { re: sum.re + part.re, im: sum.im + part.im }
    }, ZERO),
  )
