import { describe, expect, it } from 'vitest'
import type { Definition } from '../tool'
import { differencesOf, meaningOf, readComment } from './index'

const named = (name: string, DC: number, RE: number | null = null, t = 2, id = name): Definition =>
  ({
    id,
    t,
    name,
    machines: ['M'],
    DC: { nominal: DC, lower: -0.1, upper: 0.1 },
    RE: RE === null ? null : { nominal: RE, lower: 0, upper: 0 },
  }) as unknown as Definition

describe('a comment beside a tool change', () => {
  it.each([
    ['SPOT DRILL 90 DEG', { kind: 'spot-drill', diameterMm: null, cornerMm: null }],
    ['END MILL D18 R1.2 LONG', { kind: 'end-mill', diameterMm: 18, cornerMm: 1.2 }],
    ['1/2 CLASS END MILL 12MM R0.5', { kind: 'end-mill', diameterMm: 12, cornerMm: 0.5 }],
    ['DRILL Ø10,2 140DEG', { kind: 'drill', diameterMm: 10.2, cornerMm: null }],
    ['REAMER D12 H7', { kind: 'reamer', diameterMm: 12, cornerMm: null }],
    ['ROUGH 95DEG R0.8', { kind: 'turning-tool', diameterMm: null, cornerMm: 0.8 }],
    ['NEXT', { kind: null, diameterMm: null, cornerMm: null }],
  ])('%s', (text, read) => expect(readComment(text)).toEqual(read))

  it.each<[string | null, Definition, string[]]>([
    ['SPOT DRILL 90 DEG', named('Drill Ø8.5, 140°', 8.5), ['kind']],
    ['END MILL D18 R1.2', named('End mill Ø18 R1.2', 18, 1.2), []],
    ['END MILL D18 R1.2', named('End mill Ø16 R2', 16, 2), ['diameter', 'corner']],
    ['FACE MILL', named('Shell mill Ø50', 50), []],
    ['END MILL D0.5', named('End mill Ø12.7', 12.7), []],
    ['PROBE', named('Drill Ø8.5', 8.5), []],
    [null, named('Drill Ø8.5', 8.5), []],
  ])('%s against a definition', (comment, definition, what) =>
    expect(differencesOf(comment, definition).map((d) => d.what)).toEqual(what),
  )
})

describe('which definition a job means', () => {
  const drill = named('Drill Ø8.5', 8.5)
  const mill = named('End mill Ø16 R2', 16, 2)
  const meaning = (name: string | null, mapping: Record<string, string | null> = {}, definitions = [drill, mill]) =>
    meaningOf({ machine: 'M', mapping }, { t: 2, name }, definitions)
  it('of two that share a T the one the comment fits', () => {
    expect(meaning('END MILL D16 R2')).toEqual({ type: 'definition', definition: mill })
    expect(meaning('DRILL D8.5')).toEqual({ type: 'definition', definition: drill })
  })
  it('is asked where none fits, with what differs', () =>
    expect(meaning('SPOT DRILL 90 DEG', {}, [drill])).toEqual({
      type: 'ask',
      definition: drill,
      differs: [{ what: 'kind', says: 'spot-drill', is: 'drill' }],
    }))
  it('is what somebody said: another definition, or nothing to set up', () => {
    expect(meaning('SPOT DRILL', { 2: mill.id })).toEqual({ type: 'definition', definition: mill })
    expect(meaning('PROBE', { 2: null })).toEqual({ type: 'left out' })
    expect(meaning('X', { 2: 'gone' })).toEqual({ type: 'unknown' })
  })
  it('of another machine is not meant', () =>
    expect(meaningOf({ machine: 'N', mapping: {} }, { t: 2, name: null }, [drill])).toEqual({ type: 'unknown' }))
})
