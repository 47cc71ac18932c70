/** Pictures drawn by a separate renderer (test/support/render.ts), whose truth is known. */
import { describe, expect, it } from 'vitest'
import { measureFrame } from '@/core/measure'
import { chance, randomCase } from '../../support/render'

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
