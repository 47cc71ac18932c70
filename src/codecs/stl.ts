/** A tool as STL for a collision check: its half outline turned round the axis, binary, millimetres. */
import type { ToolProfile } from '@/core/tool'

type Point = readonly [radius: number, height: number]
type Corner = readonly [x: number, y: number, z: number]

/** The surface lies nowhere farther inside of the real one than that, mm. */
export const CHORD_MM = 0.01
const [LEAST_SIDES, MOST_SIDES] = [24, 720]

/** Sides of a circle whose chords stay within the error: r(1 − cos(π/n)). */
export function sidesFor(radiusMm: number, chordMm = CHORD_MM): number {
  if (radiusMm <= chordMm) return LEAST_SIDES
  const sides = Math.ceil(Math.PI / Math.acos(1 - chordMm / radiusMm))
  return Math.min(MOST_SIDES, Math.max(LEAST_SIDES, sides))
}

/** One closed body from a half outline; its ends are shut on the axis. */
function turnedRound(points: readonly Point[], sides: number): (readonly [Corner, Corner, Corner])[] {
  const [first, last] = [points[0], points[points.length - 1]]
  const outline: Point[] = [[0, first[1]], ...points.map(([r, z]): Point => [Math.max(0, r), z]), [0, last[1]]]
  const at = ([r, z]: Point, k: number): Corner => {
    const angle = (2 * Math.PI * (k % sides)) / sides
    return [r * Math.cos(angle), r * Math.sin(angle), z]
  }
  const same = (a: Corner, b: Corner) => a[0] === b[0] && a[1] === b[1] && a[2] === b[2]
  const facets: (readonly [Corner, Corner, Corner])[] = []
  const add = (a: Corner, b: Corner, c: Corner) => {
    if (!same(a, b) && !same(b, c) && !same(c, a)) facets.push([a, b, c])
  }
  for (let i = 1; i < outline.length; i++)
    for (let k = 0; k < sides; k++) {
      const [a, b] = [at(outline[i - 1], k), at(outline[i - 1], k + 1)]
      const [c, d] = [at(outline[i], k + 1), at(outline[i], k)]
      add(a, b, c)
      add(a, c, d)
    }
  return facets
}

const normalOf = ([a, b, c]: readonly [Corner, Corner, Corner]): Corner => {
  const [u, v] = [b.map((x, i) => x - a[i]), c.map((x, i) => x - a[i])]
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = Math.hypot(...n) || 1
  return [n[0] / length, n[1] / length, n[2] / length]
}

export type StlPart = 'all' | 'cutter' | 'holder'

/** @param part the cutter, or all that holds it, or both; each piece is a closed body of its own */
export function encodeStl(profile: ToolProfile, part: StlPart, chordMm = CHORD_MM): Uint8Array<ArrayBuffer> {
  const wanted = profile.parts.filter(({ of }) => part === 'all' || (of === 'cutter') === (part === 'cutter'))
  const facets = wanted.flatMap(({ points }) =>
    points.length < 2 ? [] : turnedRound(points, sidesFor(Math.max(...points.map(([r]) => r)), chordMm)),
  )
  const bytes = new Uint8Array(84 + 50 * facets.length)
  bytes.set(new TextEncoder().encode(`boulder;part=${part};unit=mm;chord=${chordMm}`).slice(0, 80))
  const view = new DataView(bytes.buffer)
  view.setUint32(80, facets.length, true)
  facets.forEach((facet, i) => {
    const numbers = [normalOf(facet), ...facet].flat()
    numbers.forEach((value, k) => view.setFloat32(84 + 50 * i + 4 * k, value, true))
  })
  return bytes
}
