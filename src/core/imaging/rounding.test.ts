import { describe, expect, it } from 'vitest'
import { chance, cornerTool, render } from '../../../test/support/render'
import { readRounding, type Corner } from './rounding'

const TIP = { u: 60.3, v: 40.7 }
/** A square corner: what a rounding of radius 1 leaves open between tip and arc, on a grid of its own. */
const GRID = 40
const MISSING = Array.from({ length: GRID * GRID }, (_, i) => {
  const du = -((i % GRID) + 0.5) / GRID
  const dv = (Math.floor(i / GRID) + 0.5) / GRID
  return { du, dv, area: 1 / (GRID * GRID) }
}).filter(({ du, dv }) => (du + 1) ** 2 + (dv - 1) ** 2 > 1)
const CORNER: Corner = {
  tip: TIP,
  sides: [
    { nu: 1, nv: 0, sigmaPx: 0.01 },
    { nu: 0, nv: -1, sigmaPx: 0.01 },
  ],
  missing: MISSING,
}

function look(radius: number, blurPx: number, noise: number, seed: number, chip = false) {
  const width = 120
  const height = 100
  const x = TIP.u - width / 2
  const z = height / 2 - TIP.v
  const scene = {
    width,
    height,
    mmPerPixel: { x: 1, z: 1 },
    centreX: 0,
    centreZ: 0,
    inside: cornerTool({ x, z, re: Math.max(1e-9, radius), dishDeg: 0, chip: chip ? { x, z, r: 4 } : undefined }),
    blurPx,
    noise,
    dark: 20,
    contrast: 180,
    fallOff: 0,
    seed,
  }
  return readRounding({ width, height, data: render(scene) }, CORNER, 4 * blurPx, {
    widthPx: Math.sqrt(blurPx * blurPx + 1 / 12),
    noise: Math.max(0.3, noise),
    contrast: 180,
  })
}

describe('the rounding of a corner, from the light that it lets past', () => {
  it.each([0, 1, 2, 4, 8])('is known whatever the blur: radius %d px', (radius) => {
    for (const blurPx of [1, 1.8, 2.6].filter((b) => radius <= 4 * b)) {
      const read = look(radius, blurPx, 0, 1)!
      expect(read.alone).toBe(true)
      // grey levels are whole numbers and the renderer's areas are in 64ths; noise alone leaves about a square pixel open
      expect(Math.abs(read.square - radius * radius)).toBeLessThan(0.35 + 0.02 * radius * radius)
    }
  })
  it('says how sure that is', () => {
    const pulls = Array.from({ length: 60 }, (_, i) => {
      const { between } = chance(i + 5)
      const radius = between(0, 6)
      const read = look(radius, between(0.8, 2.8), 8, i + 1)!
      return (read.square - radius * radius) / read.sigma
    })
    const spread = Math.sqrt(pulls.reduce((s, p) => s + p * p, 0) / pulls.length)
    expect(spread).toBeGreaterThan(0.7)
    expect(spread).toBeLessThan(1.3)
  })
  it('is not read where something else is seen, or nothing', () => {
    expect(look(0, 1.5, 3, 1, true)!.alone).toBe(false)
    const dark = { width: 120, height: 100, data: new Uint8Array(12000).fill(20) }
    expect(readRounding(dark, CORNER, 4, { widthPx: 1.2, noise: 1, contrast: 180 })?.alone ?? false).toBe(false)
  })
  it('is not read beside a border, nor between sides that hardly turn', () => {
    const frame = { width: 120, height: 100, data: new Uint8Array(12000).fill(20) }
    const blurred = { widthPx: 1.2, noise: 1, contrast: 180 }
    expect(readRounding(frame, { ...CORNER, tip: { u: 119, v: 40 } }, 4, blurred)).toBeNull()
    const flat = { ...CORNER, sides: [CORNER.sides[0], { nu: Math.cos(0.5), nv: -Math.sin(0.5), sigmaPx: 0.01 }] as const }
    expect(readRounding(frame, flat, 4, blurred)).toBeNull()
  })
})
