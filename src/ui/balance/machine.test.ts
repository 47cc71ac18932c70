import { describe, expect, it } from 'vitest'
import type { BalanceFit, FitStep, Standing } from '@/core/balance'
import type { SpindleView } from '@/stations/balance/contract'
import { balanceBig } from './machine'

const standing = (grade: number) => ({ grade }) as Standing
const step: FitStep = { type: 'screw in', plane: 'back', hole: 1, deg: 45, part: 'BS', massG: 0.4 }
const fit: BalanceFit = { kind: 'screws', steps: [step, step], after: standing(1) }
const view = {
  assemblyId: 7,
  round: 0,
  refusal: null,
  seat: null,
  standing: standing(6),
  good: false,
  fits: [fit],
  chosen: 0,
  done: 0,
  result: null,
  rounds: [],
}
const spindle = (change: Partial<SpindleView>): SpindleView => ({
  simulated: true,
  coupling: 'HSK-A63',
  mostRpm: 1500,
  guard: 'shut',
  phase: 'standing',
  rpm: 0,
  angleDeg: 0,
  done: 0,
  with: { assemblyId: 7, seat: 0, round: 0 },
  ...change,
})
const result = { grade: 1, rpm: 8000, goodToRpm: 9000, wanted: { grade: 2.5, rpm: 8000 }, who: 'x', at: '', elsewhere: null }

describe('the big action of Balance', () => {
  it('without a spindle is to type a result, unless something else is in the way', () => {
    const sheet = { ...view, seat: 0 as const }
    expect(balanceBig(sheet, null, false, false)).toEqual({ type: 'elsewhere' })
    const refused = (code: string) => ({ ...sheet, refusal: { code, text: '' } })
    expect(balanceBig(refused('NOT_CALIBRATED'), null, false, false)).toEqual({ type: 'elsewhere' })
    expect(balanceBig(refused('STILL_WARM'), null, false, false)).toEqual({ type: 'nothing' })
    expect(balanceBig(refused('NO_GRADE'), null, false, false)).toEqual({ type: 'ask' })
  })
  it.each([
    [
      'runs while it turns',
      { ...view, seat: 0 as const },
      spindle({ phase: 'recording', done: 0.4 }),
      false,
      { type: 'running', seat: 0, share: 0.4 },
    ],
    ['takes what was recorded', { ...view, seat: 0 as const }, spindle({ done: 1 }), false, { type: 'take', seat: 0 }],
    [
      'does not take the run before twice',
      { ...view, seat: 180 as const },
      spindle({ done: 1 }),
      false,
      { type: 'start', seat: 180 },
    ],
    [
      'leaves another tool’s run alone',
      view,
      spindle({ done: 1, with: { assemblyId: 8, seat: 0, round: 0 } }),
      false,
      { type: 'step', step, index: 0, of: 2 },
    ],
    [
      'starts the seat that is missing',
      { ...view, seat: 180 as const, standing: null, fits: [] },
      null,
      false,
      { type: 'start', seat: 180 },
    ],
    ['goes on with a correction that was begun', { ...view, done: 1 }, null, false, { type: 'step', step, index: 1, of: 2 }],
    ['saves what is good', { ...view, good: true }, null, false, { type: 'save', good: true }],
    ['saves as it is what nothing helps', { ...view, fits: [] }, null, false, { type: 'save', good: false }],
    [
      'saves as it is what gets worse',
      { ...view, fits: [{ ...fit, after: standing(7) }] },
      null,
      false,
      { type: 'save', good: false },
    ],
    ['is done once it is saved', { ...view, result, standing: null, seat: 0 as const }, null, false, { type: 'saved' }],
    [
      'begins again when asked to',
      { ...view, result, standing: null, seat: 0 as const, fits: [] },
      null,
      true,
      { type: 'start', seat: 0 },
    ],
    [
      'has nothing to press where something is in the way',
      { ...view, refusal: { code: 'NO_WEIGHT', text: '' } },
      null,
      false,
      { type: 'nothing' },
    ],
    ['asks for grade and speed', { ...view, refusal: { code: 'NO_GRADE', text: '' } }, null, false, { type: 'ask' }],
  ])('%s', (_, given, now, again, wanted) => expect(balanceBig(given, now, again)).toEqual(wanted))
})
