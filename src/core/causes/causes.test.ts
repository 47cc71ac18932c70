import { describe, expect, it } from 'vitest'
import {
  badCase,
  causesOf,
  isTellable,
  nextSteps,
  priorsOf,
  verdictOf,
  possibleCauses,
  type CauseCase,
  type EdgeRead,
} from './index'

const tool = (
  x: (i: number, phi: number) => number,
  change: Partial<CauseCase> = {},
  z: (i: number) => number = () => 0,
  n = 4,
): CauseCase => ({
  kind: 'solid',
  clamping: 'shrink',
  edges: Array.from({ length: n }, (_, i): EdgeRead => {
    const deg = (360 * i) / n
    return { edge: i + 1, deg, x: 5 + x(i, (deg * Math.PI) / 180) / 1000, z: 120 + z(i) / 1000 }
  }),
  sigma: { x: 0.001, z: 0.0015 },
  limits: { LF: [119.9, 120.1], DC: [9.97, 10.03], runout: 0.012 },
  ...change,
})
const first = (given: CauseCase) => causesOf(given)[0]

describe('causes', () => {
  it('a good tool has nothing wrong with it, and the sum is 1', () => {
    const causes = causesOf(tool((i) => [1, -1.5, 0.5, 0.8][i]))
    expect(causes[0].code).toBe('NOTHING')
    expect(causes.reduce((sum, c) => sum + c.p, 0)).toBeCloseTo(1, 9)
  })
  it.each([
    ['EDGE_HIGH', tool((i) => (i === 2 ? 25 : 0)), 3],
    ['EDGE_LOW', tool((i) => (i === 1 ? -40 : 0.5)), 2],
    [
      'LENGTH_NOT_SET',
      tool(
        () => 0,
        {},
        () => 400,
      ),
      undefined,
    ],
    ['WRONG_CUTTER', tool(() => 1000), undefined],
    [
      'WARM',
      tool(
        () => 0,
        { warmK: 25, heatedMm: 45 },
        () => 13.2,
      ),
      undefined,
    ],
  ] as const)('%s', (code, given, edge) => {
    const causes = causesOf(given)
    expect(causes[0]).toMatchObject({ code, ...(edge && { edge }) })
    expect(isTellable(causes)).toBe(true)
  })
  it('a once-a-turn pattern is off centre or tilted, and a second height tells which', () => {
    const wave = (um: number) => (_: number, phi: number) => um * Math.cos(phi - 0.7)
    const one = causesOf(tool(wave(20)))
    expect(new Set(one.slice(0, 2).map((c) => c.code))).toEqual(new Set(['OFF_CENTRE', 'TILTED']))
    expect(isTellable(one)).toBe(false)
    expect(nextSteps(tool(wave(20)), one)[0].code).toBe('SECOND_HEIGHT')
    const second = (um: number) => ({
      heightMm: 40,
      edges: tool(wave(um)).edges.map(({ edge, x }) => ({ edge, x })),
    })
    expect(first(tool(wave(20), { second: second(20) })).code).toBe('OFF_CENTRE')
    // two thirds of the length above the gauge line: two thirds of the lean
    expect(first(tool(wave(20), { second: second((20 * 80) / 120) })).code).toBe('TILTED')
  })
  it('a helix turns away from where its edge is at the tip: the second height says where each edge is there', () => {
    // 30° on Ø10: an edge turns tan 30°/5 rad a millimetre, 18 mm below by 119° (derived)
    const turned = ((Math.tan(Math.PI / 6) / 5) * 18 * 180) / Math.PI
    const at = (um: number, deg: number) => 5 + (um * Math.cos((deg * Math.PI) / 180 - 0.7)) / 1000
    const given = (below: number) =>
      tool((_, phi) => 20 * Math.cos(phi - 0.7), {
        second: {
          heightMm: 18,
          edges: tool(() => 0).edges.map(({ edge, deg }) => ({ edge, deg: deg + turned, x: at(below, deg + turned) })),
        },
      })
    expect(first(given(20)).code).toBe('OFF_CENTRE')
    expect(first(given((20 * 102) / 120)).code).toBe('TILTED')
  })
  it('a tool that stood anywhere in its limits stands there again: what changed since is no scatter', () => {
    const wide = {
      clamping: 'collet',
      limits: { LF: [119.5, 120.5], DC: [9.97, 10.03], runout: 0.012 },
      scatter: { LF: 0.17, DC: 0.01 },
    } as const
    const long = (um: number, before: number) =>
      tool(
        () => 0,
        { ...wide, before: { LF: 120 + before / 1000, DC: 10 } },
        () => um,
      )
    expect(first(long(220, 218)).code).toBe('NOTHING')
    expect(first(long(220, 0)).code).toBe('CREPT')
    expect(first(long(220, 440)).code).not.toBe('CREPT')
  })
  it('two edges cannot tell a high edge from a low one, nor from a tool off centre', () => {
    expect(
      isTellable(
        causesOf(
          tool(
            (i) => (i === 0 ? 12 : -12),
            {},
            () => 0,
            2,
          ),
        ),
      ),
    ).toBe(false)
  })
  it('what crept is told only against what it was before', () => {
    const collet = { clamping: 'collet' } as const
    expect(possibleCauses(tool(() => 0, collet))).not.toContain('CREPT')
    expect(possibleCauses(tool(() => 0, { before: { LF: 120, DC: 10 } }))).not.toContain('CREPT')
    const crept = tool(
      () => 0,
      { ...collet, before: { LF: 120, DC: 10 } },
      () => 35,
    )
    expect(first(crept).code).toBe('CREPT')
  })
  it('another nose is another insert', () => {
    const nose = tool(() => 0, {
      kind: 'inserts',
      limits: { LF: [119.9, 120.1], DC: [9.9, 10.1], RE: [0.75, 0.85], runout: 0.03 },
    })
    const given = { ...nose, sigma: { x: 0.001, z: 0.001, re: 0.006 }, edges: nose.edges.map((e) => ({ ...e, re: 0.402 })) }
    expect(first(given).code).toBe('WRONG_NOSE')
    expect(nextSteps(given, causesOf(given))[0].code).toBe('CHANGE')
  })
  it('the shop’s own record moves what is expected', () => {
    const codes = possibleCauses(tool(() => 0))
    const start = priorsOf(codes)
    expect(start.get('NOTHING')).toBe(0.5)
    expect([...start.values()].reduce((a, b) => a + b)).toBeCloseTo(1, 12)
    const learned = priorsOf(codes, { TILTED: 40 })
    expect(learned.get('TILTED')!).toBeGreaterThan(0.5)
    const wave = tool((_, phi) => 20 * Math.cos(phi))
    expect(causesOf(wave, { TILTED: 400 })[0].code).toBe('TILTED')
  })
})

describe('a case that cannot be judged', () => {
  const good = tool(() => 0)
  it.each([
    [{ edges: [] }, 'NO_EDGES'],
    [{ limits: { ...good.limits, LF: [120, 119] as const } }, 'LIMITS'],
    [{ limits: { ...good.limits, runout: 0 } }, 'LIMITS'],
    [{ sigma: { x: 0, z: 0.001 } }, 'SIGMA'],
    [{ edges: [good.edges[0], good.edges[0]] }, 'EDGE_TWICE'],
    [{ second: { heightMm: 200, edges: [] } }, 'HEIGHT'],
  ])('%j: %s', (change, why) => expect(badCase({ ...good, ...change })).toMatchObject({ why }))
  it('is none with one edge', () => expect(badCase({ ...good, edges: [good.edges[0]] })).toBeNull())
})

describe('the verdict', () => {
  it.each([
    ['in', tool(() => 0)],
    ['borderline', tool(() => 14)],
    ['out', tool(() => 18)],
    ['out', tool((i) => (i === 0 ? 0 : -16))],
    ['borderline', tool((i) => (i === 0 ? 0 : -11))],
    [
      'in',
      tool(
        () => 0,
        {},
        () => 0,
        1,
      ),
    ],
  ] as const)('%s', (verdict, given) => expect(verdictOf(given)).toBe(verdict))
})
