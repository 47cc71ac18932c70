import { describe, expect, it } from 'vitest'
import { benchFor } from './bench'
import { judgeTool, type LimitSet } from './result'
import { lengthSigma, USUAL_BENCH } from './judge'
import { advise, UNKNOWN_MAKE, type ToolMade } from './advise'
import { type EdgeMeasurement, type SetMeasurement, summarise } from '../sets'
import { adviceText } from '@/words/measure'

const m = (value: number, sigma = 0.0002) => ({ value, sigma })
const edge = (i: number, x: number, z: number, change: Partial<EdgeMeasurement> = {}): EdgeMeasurement => ({
  edge: i + 1,
  spindleDeg: 90 * i,
  x: m(x),
  z: m(z),
  re: m(1.5, 0.001),
  sig: null,
  kapr: null,
  chw: null,
  kch: null,
  scx: null,
  scz: null,
  focus: 0.95,
  debris: [],
  ...change,
})
const setOf = (edges: EdgeMeasurement[], warnings: SetMeasurement['warnings'] = []): SetMeasurement => ({
  measure: ['LF', 'DC', 'RE'],
  edges,
  summary: summarise(edges, ['LF', 'DC', 'RE']),
  warnings,
})
const GOOD = [0, 1, 2, 3].map((i) => edge(i, 10 + 0.0002 * (i % 2), 152 - 0.0005 * i))
const LIMITS: LimitSet = {
  LF: { min: 151.9, max: 152.1 },
  DC: { min: 19.97, max: 20.02 },
  RE: { min: 1.48, max: 1.52 },
  radialRunout: { min: null, max: 0.012 },
  axialRunout: { min: null, max: 0.01 },
}
const judged = (
  edges: EdgeMeasurement[],
  limits: LimitSet = LIMITS,
  bench = USUAL_BENCH,
  warnings: SetMeasurement['warnings'] = [],
  made: ToolMade = UNKNOWN_MAKE,
) => {
  const set = setOf(edges, warnings)
  const result = judgeTool(set, limits, bench)
  const advice = advise(set, result, made)
  return { result, advice: { ...advice, ...adviceText(advice, 'mm') } }
}

describe('a result', () => {
  it('joins values, uncertainty, limits and verdict', () => {
    const { result, advice } = judged(GOOD)
    expect(result.verdict).toBe('holds')
    expect(result.features.map((f) => [f.key, f.verdict])).toEqual([
      ['LF', 'holds'],
      ['DC', 'holds'],
      ['RE', 'holds'],
      ['radialRunout', 'holds'],
      ['axialRunout', 'holds'],
    ])
    const [LF, DC] = result.features
    expect(LF.sigma).toBeGreaterThan(0.0006)
    expect(DC.sigma).toBeGreaterThan(2 * 0.0006)
    expect(advice).toMatchObject({ tone: 'holds', lead: 'In tolerance.' })
  })
  it('without limits nothing is judged', () => {
    const { result, advice } = judged(GOOD, {})
    expect([result.verdict, advice.tone]).toEqual([null, 'todo'])
    expect(result.features.every((f) => f.verdict === null)).toBe(true)
  })
  it('a feature that was asked for and could not be had is off', () => {
    const { result, advice } = judged(GOOD.map((e) => ({ ...e, re: null })))
    expect([result.verdict, result.missing]).toEqual(['off', [{ key: 'RE', step: null }]])
    expect(advice.lead).toBe('Corner radius could not be measured.')
  })
})

describe('what to do', () => {
  it('a chip comes first', () => {
    const { advice } = judged([edge(0, 11, 152), ...GOOD.slice(1)], LIMITS, USUAL_BENCH, [
      { edge: 3, warning: { code: 'DEBRIS', high: 0.04 } },
    ])
    expect(advice).toMatchObject({ tone: 'off', edge: 3, lead: 'Clean edge 3 and measure it again.' })
    expect(advice.rest).toContain('0.040 mm high')
  })
  it('a wrong length says by how much, and which way', () => {
    expect(judged(GOOD.map((e) => ({ ...e, z: m(152.35) }))).advice.lead).toBe('Set the length 0.350 mm shorter.')
    expect(judged(GOOD.map((e) => ({ ...e, z: m(151.7) }))).advice.lead).toBe('Set the length 0.300 mm longer.')
  })
  it.each([
    ['shrink', 'Shrink it in again, 0.350 mm shorter.', 'stop 0.350 mm lower'],
    ['collet', 'Set the length 0.350 mm shorter.', 'Loosen the nut'],
    ['arbor', 'It is 0.350 mm too long.', 'cannot be set'],
  ] as const)('a length is changed the way the %s allows', (clamping, lead, rest) => {
    const { advice } = judged(
      GOOD.map((e) => ({ ...e, z: m(152.35) })),
      LIMITS,
      USUAL_BENCH,
      [],
      { clamping, divisionMm: null },
    )
    expect(advice.lead).toBe(lead)
    expect(advice.rest).toContain(rest)
  })
  it('an adjustable head is told in divisions of its own dial', () => {
    // 20.35 measured, middle of the limits 19.995: 0.355 mm on diameter are 35.5 divisions of 0.01 mm
    const { advice } = judged(
      GOOD.map((e) => ({ ...e, x: m(10.175) })),
      { DC: LIMITS.DC! },
      USUAL_BENCH,
      [],
      { clamping: 'boring', divisionMm: 0.01 },
    )
    expect(advice.lead).toBe('Adjust the head by 35.5 divisions smaller.')
  })
  it('one edge that stands out is told from a tool that sits off centre', () => {
    const six = Array.from({ length: 6 }, (_, i) => edge(i, 10, 152, { spindleDeg: 60 * i }))
    const out = judged(six.map((e, i) => (i === 2 ? { ...e, x: m(10.03) } : e)))
    expect(out.advice).toMatchObject({ edge: 3, lead: expect.stringMatching(/^Edge 3 is \d+\.?\d* µm high\.$/) as string })
    const offCentre = judged(six.map((e) => ({ ...e, x: m(10 + 0.02 * Math.cos((e.spindleDeg * Math.PI) / 180)) })))
    expect(offCentre.advice.lead).toBe('The tool is 20 µm off centre at its edges, 40 µm on an indicator there.')
  })
  it('a wrong diameter points at the cutter', () => {
    const { advice } = judged(GOOD.map((e) => ({ ...e, x: m(10.5) })))
    expect(advice.lead).toBe('Diameter is 0.980 mm out of tolerance.')
    expect(advice.rest).toContain('reground')
  })
  it('too near a limit is unsure, with what it is known to', () => {
    const { result, advice } = judged(GOOD.map((e) => ({ ...e, z: m(152.0995) })))
    expect([result.verdict, advice.tone]).toEqual(['unsure', 'unsure'])
    expect(advice.rest).toMatch(/known to ± 0\.00\d mm/)
  })
})

describe('uncertainty', () => {
  it('adds picture, zero, scale, temperature and warmth', () => {
    expect(lengthSigma(0.0003, 0, USUAL_BENCH)).toBeCloseTo(Math.hypot(0.0003, 0.0006), 9)
    expect(lengthSigma(0, 100, { zeroSigmaMm: 0, scaleSigma: 0, temperatureSigmaK: 1, warmMm: 0, guardSigmas: 2 })).toBeCloseTo(
      0.00115,
      9,
    )
    expect(lengthSigma(0, 100, { ...USUAL_BENCH, warmMm: 0.05 })).toBeGreaterThan(0.05)
  })
  it('a warm tool: 45 mm nose, 25 K over the room, reads 13 µm long; a cold one nothing', () => {
    // α·L·ΔT = 11.7e-6 · 45 · 25
    const heat = {
      endedAt: '2026-01-01T00:00:00.000Z',
      fromC: 45,
      ambientC: 20,
      tauS: 30,
      heatedMm: 45,
      touchAt: '',
      measureAt: '',
    }
    expect(benchFor(heat, heat.endedAt).warmMm).toBeCloseTo(0.01316, 4)
    expect(benchFor(heat, '2026-01-01T00:00:30.000Z').warmMm).toBeCloseTo(0.01316 / Math.E, 4)
    expect(benchFor(heat, '2026-01-01T01:00:00.000Z').warmMm).toBe(0)
    expect(benchFor(null, heat.endedAt)).toBe(USUAL_BENCH)
  })
})
