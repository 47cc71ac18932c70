import { describe, expect, it } from 'vitest'
import { cameraBig, nextEdge } from './camera-machine'

describe('the big action of a terminal’s camera', () => {
  const sheet = { opened: true, calibrated: true, taken: 0, edges: 3, busy: false }
  it.each([
    ['waits until there is a picture', { opened: false }, { type: 'opening' }],
    ['waits while a picture is measured', { busy: true }, { type: 'measuring' }],
    ['calibrates first', { calibrated: false }, { type: 'calibrate' }],
    ['takes the first edge', {}, { type: 'take', edge: 1 }],
    ['takes the last edge', { taken: 2 }, { type: 'take', edge: 3 }],
    ['saves when all are taken', { taken: 3 }, { type: 'scan' }],
  ] as const)('%s', (_, change, big) => expect(cameraBig({ ...sheet, ...change })).toEqual(big))
  it('begins anew after the last edge', () => expect(nextEdge(3, 3)).toBe(1))
})
