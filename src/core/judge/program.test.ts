import { describe, expect, it } from 'vitest'
import { checkSteps, MOST_STEPS, type ProgramStep } from './program'

const TOOL: ProgramStep = { name: 'Tool', at: null, features: ['LF', 'DC'], limits: {} }
const step = (name: string, change: Partial<ProgramStep> = {}): ProgramStep => ({
  name,
  at: { xMm: 4, downMm: 12 },
  features: ['DC'],
  limits: { DC: { min: 7.9, max: 8.1 } },
  ...change,
})

describe('the steps of a program', () => {
  it('are the tool itself and as many more as are wanted', () => {
    expect(checkSteps([TOOL])).toEqual({ ok: true, value: [TOOL] })
    expect(checkSteps([TOOL, step('Ø8'), step('Ø10')]).ok).toBe(true)
  })
  it.each([
    [[], 'NO_STEP'],
    [Array.from({ length: MOST_STEPS + 1 }, (_, i) => (i ? step(`s${i}`) : TOOL)), 'TOO_MANY_STEPS'],
    [[step('Ø8')], 'TOOL_FIRST'],
    [[TOOL, step('Ø8'), { ...TOOL, name: 'again' }], 'TOOL_FIRST'],
    [[TOOL, step('  ')], 'NO_NAME'],
    [[TOOL, step('Ø8'), step(' ø8 ')], 'SAME_NAME'],
    [[TOOL, step('Ø8', { features: [] })], 'ASKS_NOTHING'],
    [[TOOL, step('Ø8', { limits: { DC: { min: 8.2, max: 8.1 } } })], 'LIMITS_TURNED'],
  ])('%#: what is wrong is named, in words', (steps, code) => {
    const checked = checkSteps(steps)
    expect(checked.ok ? null : checked.error.code).toBe(code)
  })
})
