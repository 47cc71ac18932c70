import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromRead, parseQuantity, SI, toRead, usualUnits } from './index'

const INCH = usualUnits('inch')

// NIST SP 811 (2008), appendix B.8: factors for units listed alphabetically
describe('torque, temperature and mass', () => {
  it.each([
    [1.355818, 'torque', 1],
    [0.4535924, 'mass', 1],
    [100, 'temperature', 212],
    [20, 'temperature', 68],
    [-40, 'temperature', -40],
    [370, 'temperature', 698],
  ] as const)('%f of %s is read as %f', (inside, quantity, read) => {
    expect(toRead(inside, quantity, INCH)).toBeCloseTo(read, 5)
    expect(fromRead(read, quantity, INCH)).toBeCloseTo(inside, 5)
  })

  it('reads what it was given back', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('torque', 'temperature', 'mass'),
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        (quantity, value) => {
          expect(fromRead(toRead(value, quantity, INCH), quantity, INCH)).toBeCloseTo(value, 6)
        },
      ),
    )
  })

  it.each([
    ['12', 'torque', SI, 12],
    ['12 N·m', 'torque', INCH, 12],
    ['10 ft·lb', 'torque', SI, 13.55818],
    ['10 ft-lbs', 'torque', SI, 13.55818],
    ['572', 'temperature', INCH, 300],
    ['300 °C', 'temperature', INCH, 300],
    ['572F', 'temperature', SI, 300],
    ['10 lb', 'mass', SI, 4.535924],
    ['3,5', 'mass', SI, 3.5],
  ] as const)('%s as %s', (text, quantity, units, inside) => {
    const read = parseQuantity(text, quantity, units)
    expect(read.ok && read.value).toBeCloseTo(inside, 4)
  })

  it.each(['', 'heavy', '1,234', '3 stone'])('refuses %j', (text) => {
    expect(parseQuantity(text, 'mass', SI).ok).toBe(false)
  })
})
