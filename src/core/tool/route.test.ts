import { describe, expect, it } from 'vitest'
import { waitsFor } from './life'
import { balanceOrder } from './route'

const AS_MACHINE = 'as the machine' as const
const asked = { grade: 2.5, rpm: 8000 }
const machine = (route: 'measure, then balance' | 'balance, then measure' | 'no balance') => ({
  route,
  limits: { balanceFromRpm: 12_000 },
})

describe('whether a tool is balanced before it is measured, after, or not at all', () => {
  it.each([
    ['as its machine has it', { route: AS_MACHINE, balance: asked }, machine('measure, then balance'), null, false, 'after'],
    ['the other way round there', { route: AS_MACHINE, balance: asked }, machine('balance, then measure'), null, false, 'first'],
    [
      'its own order counts more',
      { route: 'balance, then measure' as const, balance: asked },
      machine('measure, then balance'),
      null,
      false,
      'first',
    ],
    [
      'never, where it says so',
      { route: 'no balance' as const, balance: asked },
      machine('measure, then balance'),
      20_000,
      false,
      'none',
    ],
    [
      'a grade counts more than a machine that asks for none',
      { route: AS_MACHINE, balance: asked },
      machine('no balance'),
      null,
      false,
      'after',
    ],
    [
      'without a grade, when its program is fast',
      { route: AS_MACHINE, balance: null },
      machine('measure, then balance'),
      12_000,
      false,
      'after',
    ],
    [
      'not when its program is slow',
      { route: AS_MACHINE, balance: null },
      machine('measure, then balance'),
      11_999,
      false,
      'none',
    ],
    [
      'not when no program says its speed',
      { route: AS_MACHINE, balance: null },
      machine('measure, then balance'),
      null,
      false,
      'none',
    ],
    ['not where neither asks', { route: AS_MACHINE, balance: null }, machine('no balance'), 20_000, false, 'none'],
    [
      'set before it is balanced, where it is adjustable',
      { route: AS_MACHINE, balance: asked },
      machine('balance, then measure'),
      null,
      true,
      'after',
    ],
    ['without a definition, by machine and program', null, machine('balance, then measure'), 15_000, false, 'first'],
    ['without a machine, by its grade', { route: AS_MACHINE, balance: asked }, null, null, false, 'after'],
  ])('%s', (_, definition, at, rpm, adjustable, order) => expect(balanceOrder(definition, at, rpm, adjustable)).toBe(order))
})

describe('where a tool waits that is to be balanced', () => {
  const fit = 'fit' as const
  it.each([
    ['built', 'holds', 'first', 'balance'],
    ['built', 'holds', 'after', 'measure'],
    ['measured', 'holds', 'after', 'balance'],
    ['measured', 'holds', 'first', 'balance'],
    ['measured', 'off', 'after', 'correct'],
    ['measured', 'holds', null, 'hand-over'],
    ['released', 'holds', 'after', 'load'],
    ['loaded', 'holds', 'after', null],
  ] as const)('%s, %s, to balance %s: %s', (state, verdict, order, waits) =>
    expect(waitsFor({ state, condition: fit }, verdict, order)).toBe(waits),
  )
})
