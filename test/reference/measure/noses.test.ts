/**
 * Turning noses of all orientations, drawn by the test renderer: orientation, nose centre, radius and imaginary tip. The numbering of
 * orientations is that of word-address turning controls (from memory); P = C + r·(sx, sz) is geometry.
 */
import { describe, expect, it } from 'vitest'
import { measureSet, type Picture } from '@/core/sets'
import { TIP_TOWARDS, type TipOrientation } from '@/core/tool'
import { chance, render, type Scene } from '../../support/render'

const DEG = Math.PI / 180
const SCALE = 0.01
const [WIDTH, HEIGHT] = [640, 480]

/** A nose at a centre: the arc's normals go from one angle to another, and the sides run on as tangents. */
const nose =
  (
    c: { x: number; z: number },
    r: number,
    fromDeg: number,
    toDeg: number,
    chip?: { x: number; z: number; r: number },
  ): Scene['inside'] =>
  (x, z) => {
    if (chip && (x - chip.x) ** 2 + (z - chip.z) ** 2 < chip.r ** 2) return true
    const side = (deg: number) => Math.cos(deg * DEG) * (x - c.x) + Math.sin(deg * DEG) * (z - c.z)
    if (side(fromDeg) > r || side(toDeg) > r) return false
    const angle = Math.atan2(z - c.z, x - c.x) / DEG
    const middle = (fromDeg + toDeg) / 2
    const off = Math.abs(((angle - middle + 540) % 360) - 180)
    return off > (toDeg - fromDeg) / 2 || (x - c.x) ** 2 + (z - c.z) ** 2 <= r * r
  }

const picture = (
  inside: Scene['inside'],
  centre: { x: number; z: number },
  seed: number,
  change: Partial<Scene> = {},
): Picture => {
  const scene = {
    ...{ width: WIDTH, height: HEIGHT, mmPerPixel: { x: SCALE, z: SCALE }, centreX: centre.x, centreZ: centre.z, inside },
    ...{ blurPx: 0.9, noise: 1.5, dark: 22, contrast: 190, fallOff: 0.08, seed, ...change },
  }
  return {
    ...{ name: 'nose.png', frame: { width: WIDTH, height: HEIGHT, data: render(scene) }, edge: 1, spindleDeg: 0 },
    ...{ centreX: centre.x, centreZ: centre.z },
  }
}
const measured = (p: Picture, turning = true) => {
  const set = measureSet([p], { x: SCALE, z: SCALE }, ['LF', 'DC', 'RE'], turning)
  if (!set.ok) throw new Error(JSON.stringify(set.error))
  return set.value
}

/** Normals of the sides about the way the tip points, and the radius: inserts as they are held. */
const INSERTS = [
  ['80° at 95°', -5, 95, 0.8],
  ['55° at 93°', -3, 122, 0.4],
  ['35° at 93°', -3, 142, 0.4],
  ['a square shoulder', 0, 90, 1.2],
] as const
const NEUTRAL = [
  ['55° neutral', 62.5, 0.4],
  ['35° neutral', 72.5, 0.2],
  ['60° thread', 60, 0.2],
] as const
const CORNERS: readonly (readonly [TipOrientation, number, boolean])[] = [
  // turned by so many degrees, mirrored or not: the wide side lies on either hand
  [1, 0, false],
  [4, 90, false],
  [3, 180, false],
  [2, 270, false],
  [1, 90, true],
  [4, 180, true],
  [3, 270, true],
  [2, 0, true],
]
const SIDES: readonly (readonly [TipOrientation, number])[] = [
  [6, 0],
  [5, 90],
  [8, 180],
  [7, 270],
]

function holds(q: TipOrientation, c: { x: number; z: number }, r: number, p: Picture): void {
  const { edges } = measured(p)
  const [edge] = edges
  const way = TIP_TOWARDS[q]
  expect(edge.nose?.q).toBe(q)
  for (const [found, truth] of [
    [edge.nose?.cx, c.x],
    [edge.nose?.cz, c.z],
    [edge.re, r],
    [edge.x, c.x + r * way.x],
    [edge.z, c.z + r * way.z],
  ] as const) {
    expect(found).toBeDefined()
    const off = Math.abs(found!.value - truth)
    expect(off).toBeLessThan(0.12 * SCALE)
    expect(off).toBeLessThan(5 * found!.sigma)
  }
}

describe('a turning nose', () => {
  for (const [name, from, to, r] of INSERTS)
    it.each(CORNERS)(`${name}: orientation %i, turned by %i° (mirrored: %s)`, (q, by, mirrored) => {
      const [a, b] = mirrored ? [by - to, by - from] : [by + from, by + to]
      const c = { x: 31.4137 + q / 1000, z: -2.0713 }
      const towards = ((a + b) / 2) * DEG
      const view = { x: c.x - 1.2 * Math.cos(towards), z: c.z - 1.2 * Math.sin(towards) }
      holds(q, c, r, picture(nose(c, r, a, b), view, q + by))
    })
  for (const [name, half, r] of NEUTRAL)
    it.each(SIDES)(`${name}: orientation %i`, (q, by) => {
      const c = { x: -8.2291, z: 40.0053 }
      const view = { x: c.x - 1.2 * Math.cos(by * DEG), z: c.z - 1.2 * Math.sin(by * DEG) }
      holds(q, c, r, picture(nose(c, r, by - half, by + half), view, q))
    })
  it.each(SIDES)('a groove of full radius: orientation %i', (q, by) => {
    const c = { x: 12.5, z: 55.25 }
    const view = { x: c.x - 0.8 * Math.cos(by * DEG), z: c.z - 0.8 * Math.sin(by * DEG) }
    holds(q, c, 1.25, picture(nose(c, 1.25, by - 90, by + 90), view, q + 40))
  })

  it('of any insert, radius and picture, with a holder behind it: 60 drawn at random', () => {
    const { uniform, between } = chance(17)
    for (let i = 0; i < 60; i++) {
      const scale = between(0.006, 0.016)
      const r = [0.2, 0.4, 0.8, 1.2, 1.6][Math.floor(5 * uniform())]
      if (r / scale > 150 || r / scale < 18) continue
      const [q, by, mirrored] = CORNERS[i % CORNERS.length]
      const clear = between(1, 8)
      const eps = between(35, 90)
      const [from, to] = [-clear, 180 - eps - clear]
      if (to < 92) continue
      const [a, b] = mirrored ? [by - to, by - from] : [by + from, by + to]
      const c = { x: between(-60, 60), z: between(10, 200) }
      const towards = ((a + b) / 2) * DEG
      const [wx, wz] = [Math.cos(towards), Math.sin(towards)]
      const inside = nose(c, r, a, b)
      const behind: Scene['inside'] = (x, z) => {
        const along = (x - c.x) * wx + (z - c.z) * wz
        return along < -3.2 * 100 * scale * 0.6 && Math.abs((z - c.z) * wx - (x - c.x) * wz) < 260 * scale
      }
      const view = { x: c.x - 90 * scale * wx, z: c.z - 90 * scale * wz }
      const scene = {
        mmPerPixel: { x: scale, z: scale },
        blurPx: between(0.6, 1.6),
        noise: between(0.5, 3),
        fallOff: between(0, 0.2),
      }
      const p = picture((x, z) => inside(x, z) || behind(x, z), view, 100 + i, scene)
      const set = measureSet([p], scene.mmPerPixel, ['LF', 'DC', 'RE'], true)
      const [edge] = set.ok ? set.value.edges : []
      expect([i, edge?.nose?.q]).toEqual([i, q])
      const way = TIP_TOWARDS[q]
      const off = Math.max(Math.abs(edge.x!.value - c.x - r * way.x), Math.abs(edge.z!.value - c.z - r * way.z))
      expect(off / scale, `picture ${i}`).toBeLessThan(0.2)
      expect(Math.abs(edge.re!.value - r) / scale, `picture ${i}`).toBeLessThan(0.6)
    }
  })

  it('tells a chip on its side, and is not moved by it', () => {
    const c = { x: 20, z: 30 }
    const chip = { x: c.x - 1.1, z: c.z + 0.71, r: 0.05 }
    const p = picture(nose(c, 0.8, -5, 95, chip), { x: 18.8, z: 29 }, 7)
    const set = measured(p)
    expect(set.warnings.map((w) => w.warning.code)).toContain('DEBRIS')
    expect(set.edges[0].nose?.q).toBe(1)
    expect(Math.abs(set.edges[0].z!.value - 30.8)).toBeLessThan(0.1 * SCALE)
  })
  it('that a border cuts, or that has no radius, is not guessed', () => {
    const c = { x: 20, z: 30 }
    const cut = picture(nose(c, 0.8, -5, 95), { x: 20.8 - 3.2, z: 29 }, 3)
    expect(() => measured(cut)).toThrow('NOTHING_MEASURED')
    const sharp = picture(nose(c, 0.02, -5, 95), { x: 18.8, z: 29 }, 3)
    expect(() => measured(sharp)).toThrow('NOTHING_MEASURED')
  })
})
