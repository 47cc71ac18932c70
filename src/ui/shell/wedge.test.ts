import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { makeWedge } from './wedge'

const type = (text: string, gap: number) => {
  const wedge = makeWedge()
  let time = 1000
  for (const c of text) wedge.key(c, (time += gap))
  return wedge.key('Enter', time + gap)
}

describe('keyboard wedge', () => {
  it('reads any quick run of keys that ends with Enter', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 3, maxLength: 80 }), fc.integer({ min: 1, max: 34 }), (text, gap) => {
        expect(type(text, gap)).toBe(text)
      }),
    )
  })
  it('is not fooled by a person who types', () => expect(type('BX00142', 36)).toBeNull())
  it('does not take a short burst for a scan', () => expect(type('ab', 5)).toBeNull())
  it('starts anew after a pause', () => {
    const wedge = makeWedge()
    wedge.key('x', 0)
    ;[...'BX1'].forEach((c, i) => wedge.key(c, 500 + i))
    expect(wedge.key('Enter', 503)).toBe('BX1')
  })
  it('ignores shift and other keys that type nothing', () => {
    const wedge = makeWedge()
    ;['Shift', 'B', 'Shift', 'X', '1'].forEach((k, i) => wedge.key(k, i))
    expect(wedge.key('Enter', 6)).toBe('BX1')
  })
})
