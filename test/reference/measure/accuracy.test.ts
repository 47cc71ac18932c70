/** Pictures drawn by a separate renderer (test/support/render.ts), whose truth is known. */
import { describe, expect, it } from 'vitest'
import { measureFrame } from '@/core/measure'
import { chance, cornerTool, randomCase, render } from '../../support/render'

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

describe('a corner as sharp as can be, or smaller than its blur', () => {
  it.each([0, 1, 2])('blur of up to 3 px, radius of %d blurs: the height is that of the corner, not of its blur', (blurs) => {
    const errors: number[] = []
    for (let i = 0; i < 16; i++) {
      const blurPx = 0.8 + (2.2 * i) / 15
      const tool = { x: 8 + 0.0013 * i, z: 150 + 0.0017 * i, re: Math.max(1e-6, 0.01 * blurs * blurPx), dishDeg: 1 + (i % 4) }
      const scene = {
        width: 640,
        height: 480,
        mmPerPixel: { x: 0.01, z: 0.01 },
        centreX: tool.x - 1.2,
        centreZ: tool.z - 1,
        inside: cornerTool(tool),
        blurPx,
        noise: 2,
        dark: 20,
        contrast: 200,
        fallOff: 0.1,
        seed: i + 1,
      }
      const read = measureFrame({ width: 640, height: 480, data: render(scene) }, scene, ['LF', 'DC'])
      if (!read.ok || !read.value.z) throw new Error('no height')
      errors.push((read.value.z.value - tool.z) / 0.01)
    }
    expect(Math.max(...errors.map(Math.abs))).toBeLessThan(0.2)
    expect(Math.sqrt(errors.reduce((s, e) => s + e * e, 0) / errors.length)).toBeLessThan(0.05)
  })
})
