import { frameSetErrorText } from '@/words/files'
/** Frame sets as the format describes them: pictures by the test renderer, whose truth is known. */
import { zipSync, strToU8 } from 'fflate'
import { encode } from 'fast-png'
import { describe, expect, it } from 'vitest'
import { FRAME_SET_LIMITS, decodeFrameSet, encodeFrameSet, frameSetAnswer, openFrameSet } from '@/codecs/frame-set'
import { measureFrame } from '@/core/shapes'
import { measureSet } from '@/core/sets'
import { cornerTool, render, type Scene, type Tool } from '../../support/render'

const scene = (tool: Tool, change: Partial<Scene> = {}): Scene => ({
  width: 640,
  height: 480,
  mmPerPixel: { x: 0.01, z: 0.01 },
  centreX: tool.x - 1,
  centreZ: tool.z - 1,
  inside: cornerTool(tool),
  blurPx: 1.2,
  noise: 2,
  dark: 25,
  contrast: 200,
  fallOff: 0,
  seed: 3,
  ...change,
})
const TOOL: Tool = { x: 10, z: 150, re: 1.5, dishDeg: 2 }
const picture = (s: Scene) => ({ frame: { width: s.width, height: s.height, data: render(s) }, view: s })
const warningsOf = (s: Scene) => {
  const { frame, view } = picture(s)
  const read = measureFrame(frame, view, ['RE'])
  if (!read.ok) throw new Error(read.error.code)
  return { ...read.value, codes: read.value.warnings.map((w) => w.code) }
}

/** A zip with these frames; the pictures are 8-bit grey PNGs. */
function set(
  frames: { tool: Tool; edge: number; spindle: number; change?: Partial<Scene> }[],
  header: object = {},
  drop: string[] = [],
) {
  const files: Record<string, Uint8Array> = {}
  const list = frames.map(({ tool, edge, spindle, change }, i) => {
    const s = scene(tool, { seed: i + 1, ...change })
    files[`p${i}.png`] = encode({ width: s.width, height: s.height, data: render(s), depth: 8, channels: 1 })
    return { file: `p${i}.png`, edge, spindle, centreX: s.centreX, centreZ: s.centreZ }
  })
  files['frameset.json'] = strToU8(
    JSON.stringify({
      format: 'boulder-frameset/1',
      mmPerPixel: { x: 0.01, z: 0.01 },
      measure: ['LF', 'DC', 'RE'],
      frames: list,
      ...header,
    }),
  )
  for (const name of drop) delete files[name]
  return zipSync(files, { level: 0 })
}
function measured(zip: Uint8Array) {
  const read = decodeFrameSet(zip)
  if (!read.ok) throw new Error(JSON.stringify(read.error))
  const result = measureSet(read.value.pictures, read.value.mmPerPixel, read.value.measure)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return frameSetAnswer(result.value, (edge, warning) => `${edge} ${warning.code}`)
}

describe('one picture', () => {
  it('finds a chip on the flank, and measures the flank as if it were not there', () => {
    const read = warningsOf(scene({ ...TOOL, chip: { x: 10.05, z: 147.9, r: 0.13 } }))
    expect(read.codes).toEqual(['DEBRIS'])
    expect(read.x!.value).toBeCloseTo(10, 3)
    expect(read.debris[0].high).toBeCloseTo(0.18, 2)
    expect(Math.hypot(read.debris[0].x - 10.05, read.debris[0].z - 147.9)).toBeLessThan(0.08)
  })
  it('does not move the radius for a chip on the corner', () => {
    const a = Math.PI / 4
    const read = warningsOf(scene({ ...TOOL, chip: { x: 8.5 + 1.5 * Math.cos(a), z: 148.5 + 1.5 * Math.sin(a), r: 0.08 } }))
    expect(read.codes).toEqual(['DEBRIS'])
    expect(read.x!.value).toBeCloseTo(10, 3)
    expect(read.z!.value).toBeCloseTo(150, 3)
    expect(read.re!.value).toBeCloseTo(1.5, 2)
  })
  it('reads x as null where the tool touches the right border, z where it touches the top', () => {
    const right = warningsOf(scene(TOOL, { centreX: 6.5 }))
    expect([right.x, right.codes.includes('CUT_OFF_RIGHT')]).toEqual([null, true])
    expect(right.z!.value).toBeCloseTo(150, 2)
    const top = warningsOf(scene(TOOL, { centreZ: 146 }))
    expect([top.z, top.codes.includes('CUT_OFF_TOP')]).toEqual([null, true])
    expect(top.x!.value).toBeCloseTo(10, 3)
  })
  it('has no corner radius for a sharp corner, and says so', () => {
    const read = warningsOf(scene({ ...TOOL, re: 0 }))
    expect([read.re, read.codes]).toEqual([null, ['NO_CORNER_ARC']])
    expect(read.x!.value).toBeCloseTo(10, 3)
    expect(read.z!.value).toBeCloseTo(150, 2)
  })
  it.each([
    ['an empty picture', () => scene(TOOL, { centreX: 100 }), 'NO_EDGE'],
    ['only tool', () => scene(TOOL, { centreX: 2, centreZ: 140 }), 'TOO_DARK'],
    ['hardly any light', () => scene(TOOL, { dark: 4, contrast: 20 }), 'TOO_DARK'],
    ['a burnt-out field', () => scene(TOOL, { contrast: 400 }), 'BURNT_OUT'],
  ])('refuses %s', (_, make, code) => {
    const { frame, view } = picture(make())
    const read = measureFrame(frame, view, ['RE'])
    expect(read.ok ? 'ok' : read.error.code).toBe(code)
  })
})

describe('a set', () => {
  it('gives one row an edge, LF the largest, DC twice the largest, runouts as spreads', () => {
    const answer = measured(
      set([
        { tool: TOOL, edge: 1, spindle: 0 },
        { tool: { ...TOOL, x: 9.99, z: 149.998 }, edge: 2, spindle: 120 },
        { tool: { ...TOOL, x: 9.996, z: 149.999 }, edge: 3, spindle: 240 },
      ]),
    )
    expect(answer.edges.map((e) => [e.edge, e.spindle])).toEqual([
      [1, 0],
      [2, 120],
      [3, 240],
    ])
    expect(answer.summary.LF).toBeCloseTo(150, 3)
    expect(answer.summary.DC).toBeCloseTo(20, 3)
    expect(answer.summary.RE).toBeCloseTo(1.5, 2)
    expect(answer.summary.radialRunout).toBeCloseTo(0.01, 3)
    expect(answer.summary.axialRunout).toBeCloseTo(0.002, 3)
    expect(answer.warnings).toEqual([])
    for (const e of answer.edges)
      for (const s of Object.values(e.sigma)) expect(s as number).toBeGreaterThanOrEqual(0.005 * 0.01 - 1e-9)
  })
  it('takes the vertex through three turns of one edge: r·cos(turn), peak at 0.3°', () => {
    const turned = (deg: number) => ({ ...TOOL, x: 10 * Math.cos(((deg - 0.3) * Math.PI) / 180) })
    const answer = measured(set([-1, 0, 1].map((deg) => ({ tool: turned(deg), edge: 1, spindle: deg, change: { centreX: 9 } }))))
    expect(answer.edges).toHaveLength(1)
    expect(answer.edges[0].x).toBeCloseTo(10, 4)
  })
  it('joins views from other carriage places: x from one, z from the other', () => {
    const answer = measured(
      set(
        [
          { tool: TOOL, edge: 1, spindle: 0, change: { centreX: 6.5 } },
          { tool: TOOL, edge: 1, spindle: 0, change: { centreZ: 146 } },
        ],
        { measure: ['LF', 'DC'] },
      ),
    )
    expect(answer.summary.LF).toBeCloseTo(150, 2)
    expect(answer.summary.DC).toBeCloseTo(20, 2)
    expect(answer.summary.radialRunout).toBeNull()
    expect(answer.warnings).toEqual([])
  })
  it('counts nothing of an edge that is out of focus, and the rest of the set', () => {
    const { edges, warnings, summary } = measured(
      set([
        { tool: TOOL, edge: 1, spindle: 0 },
        { tool: { ...TOOL, x: 11 }, edge: 2, spindle: 90, change: { blurPx: 6 } },
      ]),
    )
    expect(edges[1]).toMatchObject({ x: null, z: null, re: null })
    expect(warnings.map((w) => [w.edge, w.code])).toEqual([[2, 'NOT_SHARP']])
    expect(summary.DC).toBeCloseTo(20, 2)
  })
  it('leaves out what is not asked for, and asks LF and DC when nothing is said', () => {
    const answer = measured(set([{ tool: TOOL, edge: 1, spindle: 0 }], { measure: undefined }))
    expect(Object.keys(answer.edges[0])).not.toContain('re')
    expect(answer.summary).not.toHaveProperty('RE')
    expect(
      Object.keys(measured(set([{ tool: TOOL, edge: 1, spindle: 0 }], { measure: undefined, nominal: { RE: 1.5 } })).summary),
    ).toContain('RE')
  })
  it('says why there is no point angle on a corner', () => {
    const answer = measured(set([{ tool: TOOL, edge: 1, spindle: 0 }], { measure: ['LF', 'SIG'], nominal: { RE: null } }))
    expect([answer.edges[0].sig, answer.warnings.map((w) => w.code)]).toEqual([null, ['NO_POINT']])
  })
  it('comes back from its own zip', () => {
    const read = decodeFrameSet(set([{ tool: TOOL, edge: 1, spindle: 0 }]))
    if (!read.ok) throw new Error('not read')
    const again = decodeFrameSet(encodeFrameSet(read.value))
    expect(again.ok && again.value.pictures[0].frame.data).toEqual(read.value.pictures[0].frame.data)
  })
})

describe('what cannot be used', () => {
  const one = [{ tool: TOOL, edge: 1, spindle: 0 }]
  const small = { width: 64, height: 48 }
  it.each([
    ['not a zip', () => strToU8('hello'), 'zip'],
    ['zeros', () => new Uint8Array(5000), 'zip'],
    ['no frameset.json', () => set(one, {}, ['frameset.json']), 'frameset.json'],
    ['a missing picture', () => set(one, {}, ['p0.png']), 'p0.png'],
    ['a scale of 0', () => set(one, { mmPerPixel: { x: 0, z: 0.01 } }), 'mmPerPixel.x'],
    ['an unknown feature', () => set(one, { measure: ['LF', 'XYZ'] }), 'measure.1'],
    ['another format', () => set(one, { format: 'other/1' }), 'format'],
    ['pictures of two sizes', () => set([...one, { tool: TOOL, edge: 2, spindle: 9, change: small }]), 'p1.png'],
    [
      'a centre that is no number',
      () => set(one, { frames: [{ file: 'p0.png', edge: 1, centreX: 'a', centreZ: 1 }] }),
      'frames.0.centreX',
    ],
    [
      'a damaged PNG',
      () =>
        zipSync({
          'frameset.json': strToU8(
            JSON.stringify({
              format: 'boulder-frameset/1',
              mmPerPixel: { x: 1, z: 1 },
              frames: [{ file: 'a.png', edge: 1, centreX: 0, centreZ: 0 }],
            }),
          ),
          'a.png': new Uint8Array(400).fill(7),
        }),
      'a.png',
    ],
  ])('%s: 422 that names it', (_, make, names) => {
    const read = decodeFrameSet(make())
    expect(read.ok ? 'ok' : read.error.code).toBe('BAD_FRAMESET')
    expect(read.ok ? '' : frameSetErrorText(read.error)).toContain(names)
  })
  it('a PNG with one flipped bit', () => {
    const zip = set(one)
    zip[zip.length >> 1] ^= 4
    const read = decodeFrameSet(zip)
    expect(read.ok ? 'ok' : read.error.code).toBe('BAD_FRAMESET')
  })
  it('a zip that unpacks to more than it may, is larger, or holds more files: counted while it is unpacked', () => {
    expect(FRAME_SET_LIMITS).toMatchObject({ packedBytes: 64 * 2 ** 20, unpackedBytes: 256 * 2 ** 20, files: 500 })
    const bomb = zipSync({ 'frameset.json': strToU8('{}'), 'a.png': new Uint8Array(5 * 2 ** 20) }, { level: 9 })
    expect(bomb.length).toBeLessThan(10_000)
    const read = (limits: Partial<typeof FRAME_SET_LIMITS>) => {
      const opened = openFrameSet(bomb, { ...FRAME_SET_LIMITS, ...limits })
      return opened.ok ? 'ok' : opened.error.code
    }
    expect(read({ unpackedBytes: 4 * 2 ** 20 })).toBe('TOO_LARGE')
    expect(read({ packedBytes: 1000 })).toBe('TOO_LARGE')
    expect(read({ files: 1 })).toBe('TOO_LARGE')
    // within its limits it is looked at, and is no frame set
    expect(read({ unpackedBytes: 6 * 2 ** 20 })).toBe('BAD_FRAMESET')
  })
})
