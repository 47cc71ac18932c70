import { describe, expect, it } from 'vitest'
import { TRIES } from './tries'

describe.each(TRIES.map((one) => [one.key, one] as const))('%s', (_, { move, answer, point, story }) => {
  it('says something sensible everywhere, in both units', () => {
    for (const unit of ['mm', 'inch'] as const)
      for (let value = move.min; value <= move.max; value += move.step) {
        const { rows, says } = answer(value, unit)
        expect(says).toMatch(/^[A-Z].*\.$/)
        for (const [name, shown] of rows)
          expect(`${name} ${shown} ${move.shows(value, unit)}`).not.toMatch(/NaN|Infinity|undefined/)
      }
  })
  it('can go wrong and has a point', () => {
    const all = Array.from({ length: 201 }, (_, i) => answer(move.min + (i * (move.max - move.min)) / 200, 'mm'))
    expect(all.some((a) => a.bad)).toBe(true)
    expect(`${story} ${point}`).toMatch(/\.$/)
  })
})
