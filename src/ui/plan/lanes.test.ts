import { expect, it } from 'vitest'
import type { Block } from '@/core/schedule'
import { lanesOf } from './lanes'

const block = (kind: Block['kind'], fromMin: number, toMin: number): Block => ({
  ...{ tool: `${kind}${fromMin}`, job: 'J', kind, place: null, fromMin, toMin, changeMin: 0 },
})

it('blocks of a kind stand on as few rows as they need, and none covers another', () => {
  const lanes = lanesOf([block('cool', 0, 10), block('cool', 4, 14), block('cool', 10, 20), block('fetch', 0, 3)])
  expect(lanes.map(({ kind, number, blocks }) => [kind, number, blocks.map((b) => b.fromMin)])).toEqual([
    ['fetch', null, [0]],
    ['cool', 1, [0, 10]],
    ['cool', 2, [4]],
  ])
  expect(lanesOf([])).toEqual([])
})
