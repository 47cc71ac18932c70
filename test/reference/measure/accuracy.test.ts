/** Pictures drawn by a separate renderer (test/support/render.ts), whose truth is known. */
import { describe, expect, it } from 'vitest'
import { measureFrame } from '@/core/shapes'
import { chance, cornerTool, randomCase, render, type Tool } from '../../support/render'

const rms = (values: readonly number[]) => Math.sqrt(values.reduce((s, v) => s + v * v, 0) / values.length)

function errors(cases: number, given: (i: number) => Parameters<typeof randomCase>[1]) {
  const found = { x: [] as number[], z: [] as number[], re: [] as number[], xSigma: [] as number[] }
  for (let i = 0; i < cases; i++) {
    const { tool, scene, frame } = randomCase(i + 1, given(i))
    const read = measureFrame(frame, scene, ['RE'])
    if (!read.ok || !read.value.x || !read.value.z || !read.value.re)
      throw new Error(`case ${i}: ${JSON.stringify(read.ok ? read.value.warnings : read.error)}`)
    found.x.push((read.value.x.value - tool.x) / scene.mmPerPixel.x)
    found.z.push((read.value.z.value - tool.z) / scene.mmPerPixel.z)
    found.re.push((read.value.re.value - tool.re) / Math.sqrt(scene.mmPerPixel.x * scene.mmPerPixel.z))
    found.xSigma.push(read.value.x.sigma / scene.mmPerPixel.x)
  }
  return found
}

describe('pictures of 640×480 at 0.01 mm/px, contrast 200, noise 2, blur 1.2 px', () => {
  const e = errors(200, () => ({}))
  it('places x and z within 0.03 px RMS', () => {
    expect(rms(e.x)).toBeLessThan(0.03)
    expect(rms(e.z)).toBeLessThan(0.03)
  })
  it('reads a corner radius of 1.5 mm within 0.3 px RMS', () => expect(rms(e.re)).toBeLessThan(0.3))
  it('claims no more certainty than it has', () => {
    const within = e.x.filter((x, i) => Math.abs(x) < 3 * e.xSigma[i]).length
    expect(within / e.x.length).toBeGreaterThan(0.95)
  })
})

describe('hard pictures: noise to 8, blur to 3 px, light falling off by 40 %, other scales, contrast at least 20 × noise', () => {
  const e = errors(60, (i) => {
    const { between } = chance(i + 9)
    const noise = between(0, 8)
    const contrast = Math.max(60, Math.min(220, 20 * noise + between(0, 60)))
    const x = between(0.002, 0.05)
    return { noise, contrast, blurPx: between(0.7, 3), fallOff: 0.4, mmPerPixel: { x, z: x * between(0.95, 1.05) }, re: 60 * x }
  })
  it('still places x and z within 0.05 px RMS and 0.2 px at worst', () => {
    for (const values of [e.x, e.z]) {
      expect(rms(values)).toBeLessThan(0.05)
      expect(Math.max(...values.map(Math.abs))).toBeLessThan(0.2)
    }
  })
  it('reads a radius of 60 px within 0.5 px RMS', () => expect(rms(e.re)).toBeLessThan(0.5))
})

type Chance = ReturnType<typeof chance>

/** Corners in pictures as hard as they come: what is read of each, px. */
function hardCorners(
  cases: number,
  radiusPx: (blurPx: number, c: Chance) => number,
  chip: (tool: Tool, scale: number, c: Chance) => Tool['chip'],
) {
  return Array.from({ length: cases }, (_, i) => {
    const c = chance(4000 + i)
    const noise = c.between(0.5, 8)
    const blurPx = c.between(0.7, 3)
    const x = c.between(0.002, 0.05)
    const z = x * c.between(0.8, 1.25)
    const tool = { x: c.between(3, 12), z: 150, re: Math.max(1e-7, radiusPx(blurPx, c) * x), dishDeg: c.between(1, 4) }
    const scene = {
      width: 640,
      height: 480,
      mmPerPixel: { x, z },
      centreX: tool.x - c.between(60, 250) * x,
      centreZ: tool.z - c.between(60, 180) * z,
      inside: cornerTool({ ...tool, chip: chip(tool, x, c) }),
      blurPx,
      noise,
      dark: 20,
      contrast: Math.max(60, Math.min(220, 20 * noise + c.between(0, 60))),
      fallOff: c.between(0, 0.4),
      seed: i + 1,
    }
    const read = measureFrame({ width: 640, height: 480, data: render(scene) }, scene, ['LF', 'DC'])
    if (!read.ok) throw new Error(read.error.code)
    const { x: foundX, z: foundZ, debris, warnings } = read.value
    return {
      x: foundX && (foundX.value - tool.x) / x,
      z: foundZ && (foundZ.value - tool.z) / z,
      pull: foundZ && Math.abs(foundZ.value - tool.z) / foundZ.sigma,
      debris,
      warnings,
    }
  })
}

describe('a corner as sharp as can be, or smaller than its blur', () => {
  it.each([0, 1, 4])('of up to %d blurs: the height is that of the corner, not of its blur, and nothing else is seen', (most) => {
    const read = hardCorners(
      40,
      (blurPx, c) => c.between(0, most) * blurPx,
      () => undefined,
    )
    expect(read.flatMap((r) => r.warnings)).toEqual([])
    for (const values of [read.map((r) => r.x!), read.map((r) => r.z!)]) {
      expect(Math.max(...values.map(Math.abs))).toBeLessThan(0.2)
      expect(rms(values)).toBeLessThan(0.05)
    }
    expect(read.filter((r) => r.pull! < 3).length).toBeGreaterThanOrEqual(29)
  })
})

describe('a chip on a corner or beside it', () => {
  it.each([
    ['smaller than its blur', (blurPx: number, c: Chance) => c.between(0, 4) * blurPx],
    ['of 15 to 80 px', (_: number, c: Chance) => c.between(15, 80)],
  ])('%s is told, and the value is right or refused', (_, radiusPx) => {
    const read = hardCorners(40, radiusPx, (tool, px, c) => {
      const high = c.between(5, 40) * px
      const r = high * c.between(0.6, 2)
      const along = c.between(0, 60) * px
      return c.uniform() < 0.5 ? { x: tool.x + high - r, z: tool.z - along, r } : { x: tool.x - along, z: tool.z + high - r, r }
    })
    const beyond = read.filter((r) => r.warnings.some((w) => w.code === 'CUT_OFF_TOP' || w.code === 'CUT_OFF_RIGHT'))
    expect(read.filter((r) => r.debris.length === 0 && !beyond.includes(r))).toEqual([])
    for (const { x, z } of read) expect(Math.max(Math.abs(x ?? 0), Math.abs(z ?? 0))).toBeLessThan(0.2)
    expect(read.filter((r) => r.z !== null).length).toBeGreaterThan(10)
  })
})
