/** What an outline is taken for, and why it is nothing else: outlines computed from their own geometry, without pictures. */
import { describe, expect, it } from 'vitest'
import type { OutlinePoint, Traced } from '../outline'
import { recognise } from './recognise'

const PIXEL = 0.01
const NOTHING = { touches: { left: true, right: false, top: false, bottom: true }, islands: [], blurPx: 1.2, pixel: PIXEL }

interface Piece {
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
  /** Outward normal, degrees from the x axis; of an arc where it begins and where it ends. */
  readonly deg: number | readonly [number, number]
}

/** Points a pixel apart along straight pieces and arcs, from the flank's foot to the end face's inner end. */
function outline(pieces: readonly Piece[], change: Partial<Traced> = {}): Traced {
  const points: OutlinePoint[] = []
  for (const { from, to, deg } of pieces) {
    const chord = Math.hypot(to[0] - from[0], to[1] - from[1])
    const [first, last] = typeof deg === 'number' ? [deg, deg] : deg
    const turn = ((last - first) * Math.PI) / 180
    const radius = turn === 0 ? 0 : chord / (2 * Math.sin(turn / 2))
    const steps = Math.ceil((turn === 0 ? chord : radius * turn) / PIXEL)
    for (let i = 0; i < steps; i++) {
      const angle = ((first + ((last - first) * i) / steps) * Math.PI) / 180
      const start = (first * Math.PI) / 180
      const x = turn === 0 ? from[0] + ((to[0] - from[0]) * i) / steps : from[0] + radius * (Math.cos(angle) - Math.cos(start))
      const z = turn === 0 ? from[1] + ((to[1] - from[1]) * i) / steps : from[1] + radius * (Math.sin(angle) - Math.sin(start))
      points.push({ x, z, nx: Math.cos(angle), nz: Math.sin(angle), sigmaMm: 0.0003, piece: 0 })
    }
  }
  // no radius here is small enough to be read from the picture: there is none
  return { ...NOTHING, points, grey: undefined as never, ...change }
}

const CORNER = outline([
  { from: [1.5, -2], to: [1.5, 0], deg: 0 },
  { from: [1.5, 0], to: [0.5, 1], deg: [0, 90] },
  { from: [0.5, 1], to: [-1.5, 1], deg: 90 },
])
const BALL = outline([
  { from: [2, -1], to: [0, 1], deg: [0, 90] },
  { from: [0, 1], to: [-1, 0.7320508], deg: [90, 120] },
])
const CHAMFER = outline([
  { from: [1.5, -2], to: [1.5, 0], deg: 0 },
  { from: [1.5, 0], to: [0.5, 1], deg: 45 },
  { from: [0.5, 1], to: [-1.5, 1], deg: 90 },
])
const POINT = outline([
  { from: [1.5, -2], to: [1.5, 0], deg: 0 },
  { from: [1.5, 0], to: [0, 0.9013], deg: 59 },
  { from: [0, 0.9013], to: [-1.5, 0], deg: 121 },
])

describe('recognising', () => {
  it.each([
    ['a corner', CORNER, 'corner', { x: 1.5, z: 1, re: 1 }],
    ['a ball', BALL, 'ball', { x: 2, z: 1, re: 2 }],
    ['a chamfer', CHAMFER, 'facets', { x: 1.5, z: 1, re: null }],
    ['a drill’s point', POINT, 'point', { x: 1.5, z: 0.9013, re: null }],
  ] as const)('takes %s for what it is, and reads it', (_, traced, name, wanted) => {
    const { name: is, found } = recognise(traced)
    expect(is).toBe(name)
    const values = found.values()
    expect(values.x!.value).toBeCloseTo(wanted.x, 3)
    expect(values.z!.value).toBeCloseTo(wanted.z, 3)
    if (wanted.re === null) expect(values.re).toBeNull()
    else expect(values.re!.value).toBeCloseTo(wanted.re, 2)
  })
  it('says of every other shape why it is none', () => {
    const why = (traced: Traced) => Object.fromEntries(recognise(traced).not.map(({ name, why }) => [name, why]))
    expect(why(CORNER)).toMatchObject({ point: 'NO_START', ball: 'EXPLAINED_ALREADY', facets: 'EXPLAINED_ALREADY' })
    expect(why(POINT)).toMatchObject({ corner: 'EXPLAINED_ALREADY', facets: 'EXPLAINED_ALREADY', extremes: 'EXPLAINED_ALREADY' })
    expect(why(CHAMFER)).toMatchObject({
      point: 'NO_START',
      'corner-cut-right': 'OTHER_CUT',
      'corner-cut-top': 'OTHER_CUT',
    })
    for (const traced of [CORNER, BALL, CHAMFER, POINT]) expect(Object.keys(why(traced))).toHaveLength(7)
  })
  it('takes what is no shape at all by its outermost places', () => {
    // no light at all: a small corner has nothing to be read from
    const [width, height] = [400, 400]
    const view = { mmPerPixel: { x: PIXEL, z: PIXEL }, width, height, centreX: 0, centreZ: 0 }
    const dark = { frame: { width, height, data: new Uint8Array(width * height) }, view, blurPx: 1.2, low: 0, high: 1 } as never
    const saw = Array.from({ length: 24 }, (_, i): Piece => {
      const at = (k: number): [number, number] => [1.5 - 0.09 * k + (k % 2 ? 0.06 : 0), -1.5 + 0.09 * k + (k % 2 ? 0.06 : 0)]
      return { from: at(i), to: at(i + 1), deg: i % 2 ? 79 : 11 }
    })
    const steps = outline(saw, { grey: dark })
    const { name, not } = recognise(steps)
    expect(name).toBe('extremes')
    expect(not.map((n) => n.why)).not.toContain('EXPLAINED_ALREADY')
  })
  it('a chip on a corner moves nothing, and is told as what lies outside of it', () => {
    const points = CORNER.points.map((p, i) => (i > 60 && i < 80 ? { ...p, x: p.x + 0.05 } : p))
    const { name, found } = recognise({ ...CORNER, points })
    expect(name).toBe('corner')
    expect(found.values().x!.value).toBeCloseTo(1.5, 3)
    const out = Array.from(found.out())
    expect(Math.max(...out)).toBeCloseTo(0.05, 3)
    expect(out.indexOf(Math.max(...out))).toBeGreaterThan(60)
  })
})
