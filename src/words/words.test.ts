import { describe, expect, it } from 'vitest'
import { HERON } from '../../test/support/machines'
import { splitRunout } from '@/core/measure'
import { handoverRefusalText, concessionText } from './hand-over'
import { runoutText } from './measure'
import { dayText, timeText, timeWithZone } from './time'

describe('times', () => {
  // zones by the IANA time zone database as the runtime has it
  it('are told in the shop’s zone, with its name where they are printed', () => {
    const at = '2026-11-28T13:05:00.000Z'
    expect(timeText(at, 'Europe/Berlin')).toBe('28 Nov 2026 14:05')
    expect(timeText(at, 'UTC')).toBe('28 Nov 2026 13:05')
    expect(timeWithZone(at, 'Europe/Berlin')).toMatch(/^28 Nov 2026 14:05 (CET|GMT\+1)$/)
    expect(timeText('2026-12-31T23:30:00.000Z', 'Europe/Berlin')).toBe('1 Jan 2027 00:30')
    expect(dayText('2026-12-05')).toBe('5 Dec 2026')
  })
})

describe('runout', () => {
  const edges = (radii: readonly number[]) =>
    radii.map((radiusMm, i) => ({ edge: i + 1, angleDeg: (360 * i) / radii.length, radiusMm }))
  it('two edges tell one direction, at the height where it was measured', () =>
    expect(runoutText(splitRunout(edges([7.99826, 8.00174]), 0.001)!, 152.04, 'mm')).toBe(
      'Along edge 1 the tool is 2 µm off centre at its edges, 152.0 mm above the gauge line. Two edges do not show it across that direction. Edge 2 cuts 3 µm more per turn than its share.',
    ))
  it('says what nobody can know, and nothing of a height that is not known', () => {
    expect(runoutText(splitRunout(edges([8]), 0.001)!, null, 'mm')).toBe(
      'One edge alone tells nothing about how the tool is seated.',
    )
    expect(runoutText(splitRunout(edges([5, 5.01, 5]), 0.001)!, null, 'mm')).toContain('off centre at its edges (')
  })
})

describe('what may not be released', () => {
  const inch = { ...HERON, name: 'Dipper', unit: 'inch' as const, decimals: 4, lengthMm: { min: 60, max: 300 } }
  it('is told in the machine’s own unit', () => {
    expect(handoverRefusalText({ code: 'LENGTH_RANGE', lengthMm: 25.4, machine: inch })).toBe(
      'Dipper takes lengths from 2.3622 in to 11.8110 in. This tool is 1.0000 in long.',
    )
    for (const code of ['NOT_MEASURED', 'OFF', 'UNSURE', 'NO_T', 'NO_MACHINE', 'NO_TIP'] as const)
      expect(handoverRefusalText({ code })).toMatch(/^[A-Z].*\.$/)
  })
  it('a concession says what is out, for what, why and by whom', () =>
    expect(
      concessionText(
        {
          reason: 'roughing only',
          who: 'Oda',
          job: null,
          until: '2026-12-05',
          values: [{ key: 'DC', value: 9.9, min: 9.97, max: 10.03 }],
        },
        'mm',
      ),
    ).toBe(
      'Released out of tolerance by Oda until 5 Dec 2026: Diameter 9.900 mm (allowed 9.970 mm to 10.030 mm). Reason: roughing only',
    ))
})
