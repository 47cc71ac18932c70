import { describe, expect, it } from 'vitest'
import { hasWords } from './find'

describe('finding by words', () => {
  it.each([
    ['10 end mill', true],
    ['EM10 carbide', true],
    ['mill, end', true],
    ['', true],
    ['end mill 12', false],
  ])('“%s” in “C-EM10R10 carbide end mill Ø10 R1”: %s', (asked, found) =>
    expect(hasWords('C-EM10R10 carbide end mill Ø10 R1', asked)).toBe(found),
  )
})
