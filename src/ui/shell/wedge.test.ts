import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gapFor, gapOf, makeWedge, QUIET_MS } from './wedge'

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
  it('a key after Backspace is a person’s, however fast', () => {
    const wedge = makeWedge()
    ;[...'X0'].forEach((c, i) => wedge.key(c, 130 * i))
    wedge.key('Backspace', 400)
    expect(wedge.fast(405)).toBe(false)
  })
  it('set up for a slower scanner reads it, and still not a person', () => {
    const slow = (gap: number) => {
      const wedge = makeWedge(gapFor(90)!)
      let time = 0
      for (const c of 'BX00142') wedge.key(c, (time += gap))
      return wedge.key('Enter', time + gap)
    }
    expect(slow(110)).toBe('BX00142')
    expect(slow(200)).toBeNull()
  })
  it('knows quiet: no key of a slow scan has it on both sides', () => {
    const wedge = makeWedge()
    let time = 1000
    const quiet = [...'BX00142', 'Enter'].map((c) => {
      const before = wedge.quiet(time)
      wedge.key(c, time)
      const after = 110 >= QUIET_MS
      time += 110
      return before && after
    })
    expect(quiet.some(Boolean)).toBe(false)
    expect(wedge.quiet(time - 110 + QUIET_MS)).toBe(true)
  })
  it('learns the pause of a scanner from a test code, and says when it is too slow', () => {
    expect(gapOf([0, 60, 125, 180])).toBe(65)
    expect(gapFor(65)).toBe(82)
    expect(gapFor(110)).toBe(138)
    expect(gapFor(5)).toBe(35)
    expect(gapFor(130)).toBeNull()
  })
})
