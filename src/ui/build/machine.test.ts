import { describe, expect, it } from 'vitest'
import type { StepView } from './build-props'
import { buildBig, stepDue } from './machine'

const step = (id: string, confirm: StepView['confirm'], ticks = [id]): StepView => ({
  id,
  title: id,
  text: '',
  confirm,
  needs: [],
  ticks,
})
const STEPS = [step('clean', 'tick'), step('coil', 'coil'), step('heat', 'heat'), step('seats', 'seats', ['s1', 's2', 's3'])]

describe('the big action of Build', () => {
  it.each<[string, string[] | null, object]>([
    ['before a holder is scanned', null, { type: 'scan holder' }],
    ['the first step', [], { type: 'tick', id: 'clean' }],
    ['the coil is a tick of its own', ['clean'], { type: 'tick', id: 'coil' }],
    ['heating belongs to the unit', ['clean', 'coil'], { type: 'unit' }],
    ['the first seat', ['clean', 'coil', 'heat'], { type: 'seat', id: 's1', seat: 1, of: 3 }],
    ['seats out of order: the first that is open', ['clean', 'coil', 'heat', 's1', 's3'], { type: 'seat', id: 's2', seat: 2 }],
    ['all done', ['clean', 'coil', 'heat', 's1', 's2', 's3'], { type: 'scan built' }],
  ])('%s', (_, done, big) => expect(buildBig(STEPS, done && { done })).toMatchObject(big))

  it('a step that is undone is due again', () => {
    expect(stepDue(STEPS, { done: ['coil'] })?.id).toBe('clean')
    expect(stepDue(STEPS, null)).toBeNull()
  })
  it('without steps the holder is scanned twice', () => expect(buildBig([], { done: [] })).toEqual({ type: 'scan built' }))
})
