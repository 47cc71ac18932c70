import { describe, expect, it } from 'vitest'
import { findEdges, findOutline, readLight, type Frame, type Light, type Outline } from './index'

/** A picture from a function of place; no blur, no noise. */
const draw = (width: number, height: number, grey: (u: number, v: number) => number): Frame => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) => Math.round(grey(i % width, Math.floor(i / width)))),
})
const tool = (inside: (u: number, v: number) => boolean, width = 160, height = 120) =>
  draw(width, height, (u, v) => (inside(u + 0.5, v + 0.5) ? 25 : 225))
function read(frame: Frame): { light: Light; outline: Outline } {
  const light = readLight(frame)
  if (!light.ok) throw new Error(light.error.code)
  const outline = findOutline(frame, light.value)
  if (!outline) throw new Error('no outline')
  return { light: light.value, outline }
}
const corner = tool((u, v) => u < 100 && v > 40)

describe('light', () => {
  it('finds the levels of tool and field', () => {
    const { light } = read(corner)
    expect(light.dark).toBeCloseTo(25, 0)
    expect(light.contrast).toBeCloseTo(200, 0)
  })
  it('follows light that falls off: the threshold stays half way', () => {
    const frame = draw(320, 240, (u, v) => (u < 150 && v > 90 ? 25 : 220 * (1 - 0.4 * (u / 320))))
    const { light } = read(frame)
    const at = (u: number, v: number) => light.halfWay[Math.floor(v / 8) * 40 + Math.floor(u / 8)]
    expect(at(8, 8)).toBeCloseTo((25 + 220 * 0.99) / 2, -1)
    expect(at(312, 8)).toBeCloseTo((25 + 220 * 0.61) / 2, -1)
  })
  it.each([
    ['all bright', () => 220, 'NO_EDGE'],
    ['all dark', () => 10, 'TOO_DARK'],
    ['all burnt out', () => 255, 'BURNT_OUT'],
    ['a burnt-out field', (u: number) => (u < 60 ? 25 : 255), 'BURNT_OUT'],
    ['hardly any contrast', (u: number) => (u < 60 ? 100 : 115), 'NO_EDGE'],
  ])('%s', (_, grey, code) => {
    const light = readLight(draw(160, 120, grey))
    expect(light.ok ? 'ok' : light.error.code).toBe(code)
  })
})

describe('outline', () => {
  it('walks round the tool with the tool on the right hand, and leaves the borders out', () => {
    const { outline } = read(corner)
    expect(outline.pieces).toHaveLength(1)
    const [piece] = outline.pieces
    expect(piece).toHaveLength(100 + 80)
    expect(piece[0]).toMatchObject({ u: 0.5, v: 40, du: 1, dv: 0 })
    expect(piece.at(-1)).toMatchObject({ u: 100, v: 119.5, du: 0, dv: 1 })
    expect(outline.touches).toEqual({ left: true, right: false, top: false, bottom: true })
  })
  it('knows which borders the tool touches', () => {
    expect(read(tool((_, v) => v > 40)).outline.touches).toMatchObject({ left: true, right: true, top: false })
    expect(read(tool((u) => u < 100)).outline.touches).toMatchObject({ top: true, right: false })
  })
  it('keeps what is not part of the tool apart, and ignores specks', () => {
    const { outline } = read(
      tool((u, v) => (u < 100 && v > 60) || Math.hypot(u - 130, v - 30) < 5 || (u > 20 && u < 22 && v > 20 && v < 22)),
    )
    expect(outline.islands).toHaveLength(1)
    expect(outline.islands[0].centre.u).toBeCloseTo(130, 0)
    expect(outline.islands[0].area).toBeGreaterThan(60)
  })
  it('a dark thing that hangs on nothing is no tool', () => {
    const frame = tool((u, v) => Math.hypot(u - 80, v - 50) < 30)
    const light = readLight(frame)
    expect(light.ok && findOutline(frame, light.value)).toBeNull()
  })
  it('is not torn by single noisy pixels', () => {
    const frame = tool((u, v) => u < 100 && v > 40)
    for (let i = 777; i < frame.data.length; i += 997) frame.data[i] = frame.data[i] > 100 ? 60 : 190
    const { outline } = read(frame)
    expect(outline.islands).toEqual([])
    expect(outline.pieces).toHaveLength(1)
  })
})

describe('edges', () => {
  /** A slanted step that covers pixels in part. */
  const slanted = (slope: number, offset: number) =>
    draw(200, 150, (u, v) => {
      let sum = 0
      for (let a = 0; a < 8; a++) for (let b = 0; b < 8; b++) if (u + (a + 0.5) / 8 < offset + slope * (v + (b + 0.5) / 8)) sum++
      return 225 - (200 * sum) / 64
    })
  it.each([
    [0, 100.3],
    [0.05, 90.7],
    [-0.2, 120.4],
  ])('are placed to a few hundredths of a pixel: slope %d, offset %d', (slope, offset) => {
    const frame = slanted(slope, offset)
    const { light, outline } = read(frame)
    const { points, blurPx } = findEdges(frame, light, outline)
    expect(points.length).toBeGreaterThan(100)
    expect(blurPx).toBeLessThan(0.5)
    const inner = points.filter((p) => p.v > 10 && p.v < 140)
    const errors = inner.map((p) => (p.u - offset - slope * p.v) / Math.hypot(1, slope))
    expect(Math.abs(errors.reduce((a, b) => a + b, 0) / errors.length)).toBeLessThan(0.03)
    for (const p of inner) expect(p.nu).toBeGreaterThan(0.9)
  })
  it('point outwards, with a length of 1', () => {
    const { light, outline } = read(corner)
    for (const p of findEdges(corner, light, outline).points) {
      expect(Math.hypot(p.nu, p.nv)).toBeCloseTo(1, 9)
      expect(p.nu > -0.01 && p.nv < 0.01).toBe(true)
    }
  })
})
