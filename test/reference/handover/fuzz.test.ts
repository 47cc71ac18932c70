/** Whatever comes in at the front doors of Hand over, Load and Measure: twenty thousand inputs, a value or a reason, never a crash. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decodeLabel, encodeLabel, readScan } from '@/codecs/label-text'
import { decodeLineFigures, encodeLineFigure } from '@/codecs/line-figures'
import { decodeTag, encodeFreshTag } from '@/codecs/tag'
import { toolsWanted } from '@/core/program'
import { takeFile } from '../../../standins/control/gateway'
import { NO_MODAL, Refused } from '../../../standins/control/interpreter'
import { VALUES } from '../../support/machines'

const RUNS = 4000
const LABEL = encodeLabel({ ...VALUES, pocket: 3 })
const made = encodeFreshTag({ id: 'BX00142', t: 12, lf: 152.314, bom: ['A', 'B'] })
const TAG = made.ok ? made.value : new Uint8Array()

/** A good text with pieces cut out, put in twice, or changed. */
const spoilt = (good: string) =>
  fc
    .array(fc.tuple(fc.nat(good.length), fc.nat(6), fc.string({ maxLength: 6, unit: 'binary' })), { minLength: 1, maxLength: 5 })
    .map((cuts) => cuts.reduce((text, [at, length, put]) => text.slice(0, at) + put + text.slice(at + length), good))
const anything = fc.string({ maxLength: 200, unit: 'binary' })

describe('labels, scans, tags, lines, programs and offset files', () => {
  it('labels and scans: a label that is taken says what it said', () => {
    fc.assert(
      fc.property(fc.oneof(anything, spoilt(LABEL)), (text) => {
        const label = decodeLabel(text)
        // the CRC of four hex digits lets one change in 65,536 through; never one of a few characters
        if (label.ok) expect(label.value).toMatchObject({ serial: expect.any(String) as string })
        else expect(['NOT_A_LABEL', 'BAD_CRC']).toContain(label.error.code)
        expect(typeof readScan(text).type).toBe('string')
      }),
      { numRuns: RUNS },
    )
  })
  it('tags: a record or a fault', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(2047), fc.nat(255)), { maxLength: 40 }), fc.nat(2048), (changes, length) => {
        const bytes = TAG.slice()
        for (const [at, byte] of changes) bytes[at] = byte
        for (const tag of [bytes, bytes.subarray(0, length)]) {
          const read = decodeTag(tag)
          if (!read.ok) expect(['FOREIGN', 'NO_VALID_SLOT']).toContain(read.error.code)
        }
      }),
      { numRuns: RUNS },
    )
  })
  it('lines of another bench: figures or a line that is named', () => {
    const line = encodeLineFigure('LF', 118.0203, 'MM')
    fc.assert(
      fc.property(fc.array(fc.oneof(anything, spoilt(line)), { maxLength: 4 }), (lines) => {
        const figures = decodeLineFigures(lines)
        if (!figures.ok) expect(lines).toContain(figures.error.line)
      }),
      { numRuns: RUNS },
    )
  })
  it('programs: tools or a reason', () => {
    const program = '%\nN10 G21 G90 (END MILL)\nN20 T12 M6\nG43 H12 Z5. S8000 M3\nG1 Z-2 F200\n/T4 M6\nM30\n%'
    fc.assert(
      fc.property(fc.oneof(anything, spoilt(program)), fc.constantFrom('mill' as const, 'lathe' as const), (text, kind) => {
        const wanted = toolsWanted(text, kind)
        if (wanted.ok) expect(Array.isArray(wanted.value.tools)).toBe(true)
        else expect(wanted.error.code).toBe('NOT_A_PROGRAM')
      }),
      { numRuns: RUNS },
    )
  })
  it('offset files at the control: a table or a refusal, and the table it had is not touched', () => {
    const facts = { name: 'Heron', unit: 'mm', decimals: 3, sizeIs: 'radius', highestTool: 200 } as const
    const files = [
      '%\nG21 G90\nG10 L10 P4 R118.000\nG10 L12 P4 R5.000\nM30\n%',
      '{ "unit": "mm", "size": "radius", "wear": "zero", "tools": [{ "register": 4, "length": 1, "size": 2 }] }',
      'T,register,unit,length,radius\r\n4,4,mm,118.000,5.000\r\n',
      '<?xml version="1.0"?><MTConnectAssets><Assets><CuttingTool/></Assets></MTConnectAssets>',
      '; x units mm\nT4 P4 D10.000 Z118.000 ;name',
    ]
    const before = { '4': { length: 1 } }
    fc.assert(
      fc.property(fc.oneof(anything, ...files.map(spoilt)), (text) => {
        try {
          takeFile(facts, before, text, NO_MODAL)
        } catch (error) {
          expect(error).toBeInstanceOf(Refused)
        }
        expect(before).toEqual({ '4': { length: 1 } })
      }),
      { numRuns: RUNS },
    )
  })
})
