import { SI, usualUnits } from '@/core/units'
import { describe, expect, it } from 'vitest'
import { HERON } from '../../test/support/machines'
import { splitRunout } from '@/core/judge'
import { handoverRefusalText, concessionText } from './hand-over'
import { runoutText } from './measure'
import { controlErrorText } from './devices'
import { MARK_RULE, fieldText } from './faults'
import { fitsText } from './fits'
import { partFaultText } from './part'
import { routineErrorText, setErrorText, warningText } from './pictures'
import { refusalText } from './refusals'
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

describe('refusals', () => {
  it('name the part and the number, in the reader’s unit', () => {
    expect(fitsText({ code: 'WRONG_BORE', hasMm: 12, needsMm: 10 }, SI)).toBe(
      'Wrong bore: this holder takes 12 mm, the shank is 10 mm.',
    )
    expect(fitsText({ code: 'WRONG_BORE', hasMm: 12.7, needsMm: 9.525 }, usualUnits('inch'))).toBe(
      'Wrong bore: this holder takes 0.5 in, the shank is 0.375 in.',
    )
    expect(fitsText({ code: 'SHANK_TOO_LARGE', shankMm: 10, largestMm: 9 }, SI)).toContain('larger than the collet (9 mm)')
    expect(fitsText({ code: 'TOO_FAST', programRpm: 17000, greatestRpm: 16000, part: 'nut size 25' }, SI)).toContain(
      'nut size 25 allows 16,000 rev/min',
    )
  })
  it('a jump is told in the reader’s unit', () => {
    const jump = { code: 'JUMP', feature: 'LF', byMm: -0.0254 } as const
    expect(refusalText(jump, SI)).toBe('Length changed by −0.025 mm since the last measurement. Say why, or measure again.')
    expect(refusalText(jump, usualUnits('inch'))).toContain('−0.0010 in')
  })
  it('several at once are told one after the other', () =>
    expect(refusalText({ code: 'START_PAST', also: [{ code: 'NO_TOOLS' }] }, SI)).toBe(
      'The start is in the past. Type when the job starts. Add an NC program or a tool list, or type in the tools.',
    ))
  it('a device says what is known and what to do', () => {
    expect(controlErrorText({ code: 'REFUSED', line: 3, detail: 'no such register' })).toBe(
      'The control refuses the file at line 3: no such register. Nothing was written.',
    )
    expect(controlErrorText({ code: 'UNREACHABLE', detail: 'cut' })).toContain('Read its table before you try again')
  })
  it('a part that is typed wrong', () => {
    expect(partFaultText({ code: 'OUT_OF_RANGE', key: 'DC', value: 0, min: 0.05, max: 500 })).toBe(
      'The cutting diameter (DC) 0 is outside 0.05 … 500.',
    )
    expect(partFaultText({ code: 'MISSING', key: 'OAL' })).toBe('The overall length (OAL) is missing.')
  })
  it('a field says the rule itself, not a copy of it', () => {
    expect(fieldText({ fault: 'MARK', field: 'serial', least: null, most: null })).toBe(`A mark has ${MARK_RULE}.`)
    expect(fieldText({ fault: 'Too small: expected number to be >=20', field: 'pitchMm', least: 20, most: null })).toBe(
      'Pitch: at least 20.',
    )
    expect(fieldText({ fault: null, field: 'any', least: null, most: null })).toContain('missing')
  })
  it('a routine names its step', () => expect(routineErrorText({ code: 'NO_NAME', step: 1 })).toBe('Give step 2 a name.'))
})

describe('pictures', () => {
  it('every warning names its edge and what to do', () => {
    const codes = ['CUT_OFF_RIGHT', 'CUT_OFF_TOP', 'NO_CORNER_ARC', 'NO_FLANK', 'NO_END'] as const
    for (const code of codes) expect(warningText(3, { code }, 'mm')).toContain('Edge 3')
    expect(warningText(3, { code: 'DEBRIS', high: 0.04 }, 'mm')).toBe(
      'Clean edge 3 and measure it again. There is something 0.040 mm high on it.',
    )
    expect(warningText(2, { code: 'NOTCH', deep: 0.254 }, 'inch')).toContain('0.0100 in deep')
  })
  it('every refusal names its picture', () => {
    for (const problem of ['NO_EDGE', 'TOO_DARK', 'BURNT_OUT'] as const)
      expect(setErrorText({ code: 'PICTURE', file: 'a.png', problem })).toMatch(/^a\.png: /)
    expect(setErrorText({ code: 'NOTHING_MEASURED', file: 'a.png' })).toContain('nothing that was asked for')
  })
})
