/** Whatever comes through the front doors of the library: an answer in words, never an exception. */
import fc from 'fast-check'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { decodeCsv } from '@/codecs/csv'
import { decodeDefinitions, encodeDefinitions } from '@/codecs/definitions-csv'
import { decodeContour, encodeContour } from '@/codecs/dxf'
import { decodeLibrary, encodeLibrary } from '@/codecs/library-json'
import { encodeParts, readParts, suggestMapping } from '@/codecs/parts-csv'
import { decodeArchetype, encodeArchetype } from '@/codecs/tool-archetype'
import { decodeToolList } from '@/codecs/tool-list'
import { checkComponent, type Component, type Definition } from '@/core/tool'
import { seedFile } from '../../../scripts/fill-library'
import type { CellFault, FileFault } from '@/codecs/faults'
import { fileFaultText } from '@/words/files'
import { partFaultText } from '@/words/part'

const parts = seedFile<Component[]>('components.json')
const definitions = seedFile<Definition[]>('definitions.json')

/** A good text with pieces cut out, doubled, or changed. */
const broken = (text: string) =>
  fc
    .array(fc.record({ at: fc.nat(text.length), length: fc.nat(40), put: fc.string({ unit: 'binary', maxLength: 6 }) }), {
      minLength: 1,
      maxLength: 6,
    })
    .map((cuts) => cuts.reduce((t, { at, length, put }) => t.slice(0, at) + put + t.slice(at + length), text))

const words = (read: { ok: boolean; error?: unknown }) => {
  if (read.ok) return
  const faults = Array.isArray(read.error) ? (read.error as CellFault[]).map((f) => f.said) : [read.error as FileFault]
  for (const fault of faults) {
    const said = fileFaultText(fault)
    expect(said).toMatch(/[.!?]$/)
    expect(said).not.toMatch(/undefined|\[object|NaN/)
  }
}
const known: ReadonlySet<string> = new Set()

// the DXF reader talks to the console about groups it does not know
beforeAll(() => (['log', 'error'] as const).forEach((way) => vi.spyOn(console, way).mockImplementation(() => undefined)))

describe('broken files', () => {
  const contour = encodeContour([
    { type: 'line', from: [10, 0], to: [10, 20] },
    { type: 'arc', centre: [8, 20], radiusMm: 2, fromRad: 0, toRad: 1.5 },
  ])
  const dxfEntities = contour.slice(contour.indexOf('ENTITIES') - 20)
  const doors: readonly [string, string, (text: string) => { ok: boolean; error?: unknown }][] = [
    [
      'parts',
      encodeParts(parts.slice(0, 12)),
      (text) => {
        const table = decodeCsv(text)
        return table.ok ? readParts(table.value, suggestMapping(table.value.columns), null, { known }) : table
      },
    ],
    ['tools', encodeDefinitions(definitions.slice(0, 4)), decodeDefinitions],
    [
      'library',
      encodeLibrary({ parts: parts.slice(0, 3), definitions: definitions.slice(0, 2) }),
      (text: string) => decodeLibrary(text),
    ],
    ['tool list', 'T,name,count,minutes\n1,a,2,3\n4,b,1,\n', decodeToolList],
    ['archetype', encodeArchetype(definitions[0], 'HSK-A63', '2026-11-25T08:00:00Z'), decodeArchetype],
    ['contour', `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n4\n0\nENDSEC\n${dxfEntities}`, decodeContour],
  ]
  it.each(doors)('%s', (_, good, decode) => {
    fc.assert(
      fc.property(broken(good), (text) => words(decode(text))),
      { numRuns: 300 },
    )
  })
  it('any text at all', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => doors.forEach(([, , decode]) => words(decode(text)))),
      { numRuns: 200 },
    )
  })
})

describe('any part', () => {
  const anything = fc.oneof(fc.string(), fc.double(), fc.constant(null), fc.boolean(), fc.array(fc.integer()))
  it('with anything in its properties is taken or refused in words', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...parts),
        fc.constantFrom('DC', 'DCX', 'OAL', 'kind', 'id', 'form', 'NOF', 'WT', 'oops'),
        anything,
        (part, key, value) => {
          const checked = checkComponent({ ...part, [key]: value })
          if (!checked.ok) for (const fault of checked.error) expect(partFaultText(fault)).toMatch(/[.!?]$/)
        },
      ),
      { numRuns: 500 },
    )
  })
})
