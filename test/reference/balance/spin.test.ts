/** Signals to figures: synchronous detection against fft.js, influence coefficients against a general linear solver (ml-matrix). */
import FFT from 'fft.js'
import { Matrix, SingularValueDecomposition, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import {
  calibrate,
  conditionOf,
  inStep,
  parted,
  unbalanceFrom,
  unbalanceOf,
  type Answer,
  type Influence,
  type Parted,
} from '@/core/balance'
import { absOf, argOf, plus, polar, seededRandom, times, type Complex } from '@/core/numeric'
import { degToRad, normDeg, radToDeg } from '@/core/units'

const exact = (value: Complex): Answer => ({ value, sigma: 0 })
/** A run that has nothing of the spindle in it. */
const alone = (value: Complex): Parted => ({ tool: exact(value), spindle: exact(phasor(0, 0)) })
const phasor = (size: number, deg: number) => polar(size, degToRad(deg))

/** 256 turns of 64 samples each, so that the transform has the turn in one of its lines. */
function evenSpin(signal: (turned: number, seconds: number) => number) {
  const perSecond = 1250
  const turns = 256
  const secondsATurn = 64 / perSecond
  const samples = Float64Array.from({ length: 64 * turns + 1 }, (_, k) => signal(k / 64, k / perSecond))
  return { samplesPerSecond: perSecond, sensors: [samples], marks: Array.from({ length: turns + 1 }, (_, i) => i * secondsATurn) }
}

describe('synchronous detection', () => {
  it('gives what the transform has in the line of the turn, for amplitude and phase', () => {
    const spin = evenSpin(
      (turned) =>
        3 +
        2.5 * Math.cos(2 * Math.PI * turned + 1.1) +
        0.8 * Math.cos(4 * Math.PI * turned) +
        0.3 * Math.cos(6 * Math.PI * turned),
    )
    const n = 64 * 256
    const fft = new FFT(n)
    const out = fft.createComplexArray()
    fft.realTransform(out, [...spin.sensors[0].subarray(0, n)])
    const line: Complex = { re: (2 * out[2 * 256]) / n, im: (2 * out[2 * 256 + 1]) / n }
    const found = inStep(spin)
    if (!found.ok) throw new Error(found.error.code)
    expect(found.value.rpm).toBeCloseTo((60 * 1250) / 64, 6)
    expect(absOf(found.value.answers[0].value)).toBeCloseTo(absOf(line), 9)
    expect(argOf(found.value.answers[0].value)).toBeCloseTo(argOf(line), 9)
    expect(absOf(line)).toBeCloseTo(2.5, 9)
  })
  it('hum twice as large as the signal, and its double, change it by less than a thousandth', () => {
    const found = inStep(
      evenSpin(
        (turned, s) =>
          Math.cos(2 * Math.PI * turned) + 2 * Math.cos(2 * Math.PI * 50 * s + 0.4) + Math.cos(2 * Math.PI * 100 * s) + 0.5 * s,
      ),
    )
    expect(found.ok && absOf({ re: found.value.answers[0].value.re - 1, im: found.value.answers[0].value.im })).toBeLessThan(1e-3)
  })
  it('its uncertainty is what repeated runs scatter by', () => {
    const random = seededRandom(7)
    const runs = Array.from({ length: 60 }, () => {
      const found = inStep(evenSpin((turned) => Math.cos(2 * Math.PI * turned) + 0.5 * random.normal()))
      if (!found.ok) throw new Error(found.error.code)
      return found.value.answers[0]
    })
    const mean = runs.reduce((sum, { value }) => sum + value.re, 0) / runs.length
    const scatter = Math.sqrt(runs.reduce((sum, { value }) => sum + (value.re - mean) ** 2, 0) / (runs.length - 1))
    const told = Math.sqrt(runs.reduce((sum, { sigma }) => sum + sigma ** 2, 0) / runs.length)
    // 60 runs know their scatter to 1/√120 = 9 %, twice that is allowed
    expect(told / scatter).toBeGreaterThan(0.82)
    expect(told / scatter).toBeLessThan(1.18)
    expect(mean).toBeCloseTo(1, 1)
  })
  it('a spindle whose speed swings by half a percent makes no difference: the marks tell the angle', () => {
    const perSecond = 2000
    const turnedAt = (s: number) => 18.3 * s + 0.05 * Math.sin(2 * Math.PI * 0.3 * s)
    const marks: number[] = []
    for (let turn = 0; turn <= 250; turn++) {
      let s = turn / 18.3
      for (let i = 0; i < 20; i++) s -= (turnedAt(s) - turn) / 18.3
      marks.push(s)
    }
    const sensors = [Float64Array.from({ length: 2000 * 14 }, (_, k) => Math.cos(2 * Math.PI * turnedAt(k / perSecond) - 0.7))]
    const found = inStep({ samplesPerSecond: perSecond, sensors, marks })
    expect(found.ok && normDeg(radToDeg(argOf(found.value.answers[0].value)))).toBeCloseTo(360 - radToDeg(0.7), 1)
  })
  it('says what is wrong with a run', () => {
    const good = evenSpin((turned) => Math.cos(2 * Math.PI * turned))
    const code = (spin: Parameters<typeof inStep>[0]) => {
      const found = inStep(spin)
      return found.ok ? 'OK' : found.error.code
    }
    expect(code(good)).toBe('OK')
    expect(code({ ...good, marks: good.marks.slice(0, 20) })).toBe('FEW_TURNS')
    expect(code({ ...good, marks: [] })).toBe('FEW_TURNS')
    expect(code({ ...good, marks: good.marks.filter((_, i) => i !== 40) })).toBe('UNEVEN_SPEED')
    expect(code({ ...good, sensors: [new Float64Array(good.sensors[0].length)] })).toBe('SENSOR_DEAD')
    expect(code({ ...good, sensors: [good.sensors[0].map((x) => Math.max(-0.8, Math.min(0.8, x)))] })).toBe('CLIPPED')
    const at3000 = good.marks.map((s) => (s * 19.53125) / 50)
    expect(code({ ...good, marks: at3000 })).toBe('NEAR_MAINS')
  })
})

it('two runs half a turn apart part the tool from the spindle (worked outside this project)', () => {
  const { tool, spindle } = parted(exact(phasor(12.4802, 87.33)), exact(phasor(9.8359, 331.102)))
  expect(unbalanceOf(spindle.value).gmm).toBeCloseTo(6, 3)
  expect(unbalanceOf(spindle.value).deg).toBeCloseTo(40, 2)
  expect(unbalanceOf(tool.value).gmm).toBeCloseTo(9.5, 3)
  expect(unbalanceOf(tool.value).deg).toBeCloseTo(115, 2)
})

describe('influence coefficients', () => {
  const runs = {
    alone: [phasor(8.32, 242.84), phasor(10.38, 345.91)].map(alone),
    first: [phasor(3.901, 299.75), phasor(9.83, 1.24)].map(alone),
    second: [phasor(10.715, 231.86), phasor(5.486, 15.76)].map(alone),
  }
  const trial = [phasor(50, 0), phasor(50, 90)] as const
  const none = [phasor(0, 0), phasor(0, 0)] as const
  it('from three runs, and the correction by them (worked outside this project)', () => {
    const made = calibrate(runs, [0, 100], trial, none)
    if (!made.ok) throw new Error(made.error.code)
    const { influence, condition } = made.value
    const shown = influence.k
      .flat()
      .map((k) => [Math.round(absOf(k) * 1e6) / 1e6, Math.round(normDeg(radToDeg(argOf(k))) * 1e3) / 1e3])
    expect(shown).toEqual([
      [0.140001, 35.007],
      [0.06, 109.974],
      [0.055004, 95.007],
      [0.124997, 50.004],
    ])
    expect(condition).toBeCloseTo(1.491, 3)
    const [one, two] = unbalanceFrom(
      influence,
      runs.alone.map(({ tool }) => tool),
    ).planes.map((u) => unbalanceOf({ re: -u.re, im: -u.im }))
    expect(one.gmm).toBeCloseTo(85.005, 2)
    expect(one.deg).toBeCloseTo(29.987, 2)
    expect(two.gmm).toBeCloseTo(60.0046, 2)
    expect(two.deg).toBeCloseTo(140.003, 2)
  })
  it('solves as a general solver does, for fifty random machines', () => {
    const random = seededRandom(11)
    const any = (size: number) => polar(size * (0.2 + random.uniform()), 2 * Math.PI * random.uniform())
    for (let i = 0; i < 50; i++) {
      const k: Influence['k'] = [
        [any(1), any(0.4)],
        [any(0.3), any(1)],
      ]
      const v = [any(10), any(10)]
      const [a, b] = unbalanceFrom({ zMm: [0, 100], k }, v.map(exact)).planes
      // a complex system of two is a real one of four
      const rows = k.flatMap((row) => [row.flatMap((c) => [c.re, -c.im]), row.flatMap((c) => [c.im, c.re])])
      const x = solve(new Matrix(rows), Matrix.columnVector(v.flatMap((c) => [c.re, c.im]))).to1DArray()
      ;[a.re, a.im, b.re, b.im].forEach((got, at) => expect(got).toBeCloseTo(x[at], 8))
      const { diagonal } = new SingularValueDecomposition(new Matrix(rows))
      expect(conditionOf(k)).toBeCloseTo(diagonal[0] / diagonal[3], 6)
    }
  })
  it('a rotor that is not what its certificate says shows as residual', () => {
    const k: Influence['k'] = [
      [phasor(0.14, 35), phasor(0.06, 110)],
      [phasor(0.055, 95), phasor(0.125, 50)],
    ]
    const give = (u: readonly [Complex, Complex]) => k.map(([p, q]) => alone(plus(times(p, u[0]), times(q, u[1]))))
    const own = [phasor(3, 20), phasor(1, 200)] as const
    const made = calibrate(
      { alone: give(own), first: give([plus(own[0], trial[0]), own[1]]), second: give([own[0], plus(own[1], trial[1])]) },
      [0, 100],
      trial,
      none,
    )
    expect(made.ok && made.value.residual.map((u) => Math.round(unbalanceOf(u).gmm * 1e6) / 1e6)).toEqual([3, 1])
  })
  it('a mass that changes nothing, and planes that cannot be told apart, are refused', () => {
    const code = (r: typeof runs) => {
      const made = calibrate(r, [0, 100], trial, none)
      return made.ok ? 'OK' : made.error.code
    }
    expect(code({ ...runs, first: runs.alone })).toBe('NO_ANSWER')
    const alike = runs.alone.map((a) => alone(plus(a.tool.value, phasor(1, 10))))
    expect(
      calibrate({ alone: runs.alone, first: alike, second: alike }, [0, 100], [phasor(50, 0), phasor(50, 0)], none),
    ).toMatchObject({
      ok: false,
      error: { code: 'PLANES_ALIKE' },
    })
  })
})
