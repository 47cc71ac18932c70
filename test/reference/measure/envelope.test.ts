/**
 * The outermost outline over a turn: edges on a helix, drawn by the separate renderer (test/support/render.ts) at several
 * turns of the spindle. A place d below the top stands at the angle κ·d (κ = tan β / R: one lead a turn) and is seen at
 * ρ(d)·cos(κ·d − θ); the truth is the edge's own profile ρ(d), as plane geometry says it.
 */
import { describe, expect, it } from 'vitest'
import { measureSet, type Picture } from '@/core/sets'
import { chance, cornerTool, render } from '../../support/render'

const rad = Math.PI / 180
const CASES = 16

interface Helix {
  readonly radius: number
  readonly re: number
  readonly helixDeg: number
  readonly scale: number
}

interface Speck {
  readonly x: number
  readonly z: number
  readonly r: number
}

function pictures(
  seed: number,
  { radius, re, helixDeg, scale }: Helix,
  turnsDeg: readonly number[],
  c: ReturnType<typeof chance>,
  speck: Speck | null = null,
) {
  const top = 100
  const kappa = Math.tan(helixDeg * rad) / radius
  const profile = cornerTool({ x: radius, z: top, re, dishDeg: 2 })
  const blurPx = c.between(0.8, 2)
  return turnsDeg.map((deg, i): Picture => {
    const scene = {
      width: 640,
      height: 480,
      mmPerPixel: { x: scale, z: scale },
      centreX: radius - 100 * scale,
      centreZ: top - 160 * scale,
      inside: (x: number, z: number) =>
        profile(x / Math.cos(kappa * (top - z) - deg * rad), z) ||
        (speck !== null && (x - speck.x) ** 2 + (z - speck.z) ** 2 < speck.r ** 2),
      blurPx,
      noise: 3,
      dark: 25,
      contrast: 180,
      fallOff: 0.1,
      seed: seed * 100 + i,
    }
    return {
      name: `${deg}.png`,
      frame: { width: 640, height: 480, data: render(scene) },
      edge: 1,
      spindleDeg: deg,
      centreX: scene.centreX,
      centreZ: scene.centreZ,
    }
  })
}

/** Turns that bring the edge into the light's plane from its top to so far below it. */
function turnsFor({ radius, helixDeg }: Helix, downMm: number): number[] {
  const step = Math.sqrt((2 * 0.02) / radius) / rad
  const last = (Math.tan(Math.abs(helixDeg) * rad) / radius / rad) * downMm
  const count = Math.max(5, Math.ceil((last + 2 * step) / step) + 1)
  return Array.from({ length: count }, (_, i) => -step + ((last + 2 * step) * i) / (count - 1))
}

const rms = (values: readonly number[]) => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length)

describe('an edge on a helix', () => {
  const results = Array.from({ length: CASES }, (_, i) => {
    const c = chance(9000 + i)
    const helix = {
      radius: c.between(4, 14),
      re: c.between(0.5, 1.5),
      helixDeg: (c.uniform() < 0.5 ? -1 : 1) * c.between(2, 40),
      scale: c.between(0.008, 0.012),
    }
    const turns = turnsFor(helix, helix.re + 1.2).map((deg) => Math.sign(helix.helixDeg) * deg)
    const set = measureSet(pictures(i + 1, helix, turns, c), { x: helix.scale, z: helix.scale }, ['LF', 'DC', 'RE'])
    return { helix, edge: set.ok ? set.value.edges[0] : null, warnings: set.ok ? set.value.warnings : [] }
  })
  const px = (of: (r: (typeof results)[number]) => number) => results.map((r) => of(r) / r.helix.scale)

  it('stands as far out and as high as its profile, though no single picture shows it', () => {
    const x = px(({ edge, helix }) => edge!.x!.value - helix.radius)
    const z = px(({ edge }) => edge!.z!.value - 100)
    expect(rms(x)).toBeLessThan(0.05)
    expect(rms(z)).toBeLessThan(0.05)
    expect(Math.max(...[...x, ...z].map(Math.abs))).toBeLessThan(0.2)
  })
  it('with a corner that is sharp, or smaller than its blur, is as high', () => {
    const errors = Array.from({ length: 8 }, (_, i) => {
      const c = chance(9100 + i)
      const helix = { radius: c.between(4, 14), re: c.between(0, 0.04), helixDeg: c.between(15, 45), scale: 0.01 }
      const set = measureSet(pictures(i + 50, helix, turnsFor(helix, 1), c), { x: 0.01, z: 0.01 }, ['LF'])
      const { value, sigma } = set.ok ? set.value.edges[0].z! : { value: NaN, sigma: NaN }
      expect(Math.abs(value - 100)).toBeLessThan(3 * sigma)
      return (value - 100) / 0.01
    })
    expect(Math.max(...errors.map(Math.abs))).toBeLessThan(0.1)
  })
  it('keeps its corner radius to half a pixel or one in a hundred', () => {
    for (const { edge, helix } of results)
      expect(Math.abs(edge!.re!.value - helix.re)).toBeLessThan(Math.max(0.5 * helix.scale, 0.01 * helix.re))
  })
  it('raises no alarm', () => {
    expect(results.flatMap((r) => r.warnings)).toEqual([])
  })
  it('a straight one measured at close turns is as good as at its highest point', () => {
    const straight = { radius: 10, re: 1, helixDeg: 0, scale: 0.01 }
    const set = measureSet(pictures(5, straight, [-3, -2, -1, 0, 1, 2, 3], chance(5)), { x: 0.01, z: 0.01 }, ['LF', 'DC', 'RE'])
    const edge = set.ok ? set.value.edges[0] : null
    expect(Math.abs(edge!.x!.value - 10)).toBeLessThan(0.0005)
    expect(Math.abs(edge!.z!.value - 100)).toBeLessThan(0.0005)
    expect(Math.abs(edge!.re!.value - 1)).toBeLessThan(0.005)
  })
  it('at turns far apart its highest point still comes from the curve through them', () => {
    const straight = { radius: 10, re: 1, helixDeg: 0, scale: 0.01 }
    const set = measureSet(pictures(6, straight, [-21, -11, -1, 9, 19], chance(6)), { x: 0.01, z: 0.01 }, ['DC'])
    // the parabola through −11°, −1° and 9° of 10·cos: its top is 10 to 2 µm
    expect(Math.abs((set.ok ? set.value.edges[0].x!.value : 0) - 10)).toBeLessThan(0.003)
  })
  it('a speck that hangs beside it is told, whatever the turns', () => {
    const helix = { radius: 8, re: 1, helixDeg: 30, scale: 0.01 }
    const speck = { x: 8.4, z: 98.5, r: 0.06 }
    const taken = pictures(7, helix, turnsFor(helix, 2.2), chance(7), speck)
    const set = measureSet(taken, { x: 0.01, z: 0.01 }, ['LF', 'DC', 'RE'])
    if (!set.ok) throw new Error(set.error.code)
    expect(set.value.warnings.map((w) => w.warning.code)).toEqual(['DEBRIS'])
    const [debris] = set.value.edges[0].debris
    expect(Math.hypot(debris.x - speck.x, debris.z - speck.z)).toBeLessThan(0.03)
    expect(Math.abs(set.value.edges[0].x!.value - 8)).toBeLessThan(0.002)
  })
  it('says that its radius is not known when the turns end before its flank comes into the plane', () => {
    const helix = { radius: 6, re: 1, helixDeg: 35, scale: 0.01 }
    const early = [-9, -7, -5, -3, -1, 1]
    const set = measureSet(pictures(77, helix, early, chance(77)), { x: 0.01, z: 0.01 }, ['LF', 'DC', 'RE'])
    const edge = set.ok ? set.value.edges[0] : null
    expect(edge!.re).toBeNull()
    if (edge!.x) expect(Math.abs(edge!.x.value - 6)).toBeLessThan(0.003)
  })
})
