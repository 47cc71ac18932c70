import { describe, expect, it } from 'vitest'
import { readScan } from '@/codecs/label-text'
import type { PickLine } from '@/core/plan'
import { keyOf, lineNow, lineOf, toTake } from './machine'

const line = (component: string, place: string): PickLine => ({ component, place, count: 1, unit: place, purposes: [] })
const LINES = [line('C-EM10', 'ALDER-3'), line('C-NUT25', 'BIRCH-7'), line('C-EM10', 'ELM-2'), line('H-SHRINK', 'OAK-1')]

describe('what is fetched', () => {
  const parts = toTake(LINES, { 'H-SHRINK': ['BX00141'] })
  it('holders are left to the scan that begins their build', () => expect(parts).toHaveLength(3))
  it('the next of the round, unless another was chosen', () => {
    expect(lineNow(parts, null)?.place).toBe('ALDER-3')
    expect(lineNow(parts, keyOf(LINES[2]))?.place).toBe('ELM-2')
    expect(lineNow(parts, 'gone')?.place).toBe('ALDER-3')
    expect(lineNow([], null)).toBeUndefined()
  })
  it.each([
    ['c-nut25', 'BIRCH-7'],
    ['elm-2', 'ELM-2'],
    ['C-EM10', 'ALDER-3'],
    ['C-OTHER', undefined],
    ['H-SHRINK', undefined],
  ])('a scan of %s takes the line at %s', (text, place) => expect(lineOf(readScan(text), parts)?.place).toBe(place))
})
