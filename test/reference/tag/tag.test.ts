/**
 * The tag, byte by byte: against an example made elsewhere (tag.bin, tag.json), the CRC-32 check value of IEEE 802.3
 * (CBF43926, as Koopman's and the RevEng catalogue list it, from memory), CBOR of RFC 8949 as cbor2 reads it,
 * power cuts after every block, and every single flipped bit.
 */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { decode as decodeCbor } from 'cbor2'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { decodeTag, encodeFreshTag, encodeTagWrite, type TagRecord } from '@/codecs/tag'
import { applyWrites, crc32, mostPayload, readSlot, slotSize } from '@/core/handover'

const RECORD: TagRecord = {
  id: 'BX00142',
  t: 12,
  iss: 7,
  lf: 152.314,
  x: 9.9987,
  re: 1.4981,
  m: 'HERON',
  name: 'End mill Ø18 R1.2',
  n: 5,
  taper: 'HSK-A63',
  wt: 1.42,
  rpmx: 20000,
  lifeUsed: 0,
  lifeMax: 90,
  at: '2026-11-25T10:42:00.000Z',
  bom: ['H-A63-S20', 'C-EM18R12'],
}
const good = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const write = (bytes: Uint8Array, record: TagRecord, count?: number) =>
  applyWrites(bytes, good(encodeTagWrite(bytes, record)), count)
const fresh = (record = RECORD, carrier = 2048) => good(encodeFreshTag(record, carrier))

describe('the tag', () => {
  it('CRC-32 has its check value', () => {
    expect(crc32(new TextEncoder().encode('123456789')).toString(16)).toBe('cbf43926')
    expect(crc32([])).toBe(0)
  })
  it('made elsewhere is read as it says', () => {
    const bytes = new Uint8Array(readFileSync(join(import.meta.dirname, 'tag.bin')))
    const { record, slot, sequence, otherSlot } = good(decodeTag(bytes))
    expect({ record, slot, sequence, otherSlot }).toEqual(JSON.parse(readFileSync(join(import.meta.dirname, 'tag.json'), 'utf8')))
  })
  it('has its head and its slots where they belong', () => {
    const bytes = fresh()
    expect([...bytes.subarray(0, 16)]).toEqual([0x42, 0x4c, 0x44, 0x54, 1, 4, 3, 0xf8, 0, 0, 0, 0, 0, 0, 0, 0])
    expect([...bytes.subarray(16, 20)]).toEqual([0, 0, 0, 1])
    expect(bytes.subarray(1032).every((b) => b === 0)).toBe(true)
    expect([slotSize(2048), mostPayload(2048), slotSize(512)]).toEqual([1016, 1004, 248])
    expect(good(decodeTag(bytes))).toEqual({ record: RECORD, slot: 'A', sequence: 1, otherSlot: 'empty' })
  })
  it('writes go to the other slot in turn', () => {
    let bytes = fresh()
    for (let n = 2; n < 9; n++) {
      bytes = write(bytes, { ...RECORD, iss: n })
      expect(good(decodeTag(bytes))).toMatchObject({
        sequence: n,
        slot: n % 2 ? 'A' : 'B',
        otherSlot: 'valid',
        record: { iss: n },
      })
    }
  })
  it('cut after any block it is the old record or the new one', () => {
    const short = { ...RECORD, name: 'x', bom: [] }
    for (const [before, after] of [
      [fresh(), { ...RECORD, iss: 8 }],
      [write(fresh(), { ...RECORD, iss: 8 }), { ...RECORD, iss: 9 }],
      [write(fresh(), { ...RECORD, iss: 8 }), short],
      [write(write(fresh(), short), short), RECORD],
      [fresh(RECORD, 512), { ...RECORD, iss: 8 }],
    ] as const) {
      const writes = good(encodeTagWrite(before, after))
      const old = good(decodeTag(before)).record
      const wanted = good(decodeTag(applyWrites(before, writes))).record
      for (let count = 0; count <= writes.length; count++) {
        const { record } = good(decodeTag(applyWrites(before, writes, count)))
        expect(record).toEqual(count === writes.length ? wanted : old)
      }
    }
  })
  it('cut while its first record is written it says nothing, and is written anew', () => {
    const blank = new Uint8Array(2048)
    const writes = good(encodeTagWrite(blank, RECORD))
    for (let count = 0; count < writes.length; count++) {
      const torn = applyWrites(blank, writes, count)
      expect(decodeTag(torn).ok).toBe(false)
      expect(good(decodeTag(write(torn, RECORD))).record).toEqual(RECORD)
    }
  })
  it('notices every single flipped bit of the head and of a slot', () => {
    const bytes = write(fresh(), { ...RECORD, iss: 8 })
    const now = good(decodeTag(bytes))
    const flipped = (at: number, bit: number) => {
      const copy = bytes.slice()
      copy[at] ^= 1 << bit
      return copy
    }
    for (let at = 0; at < 8; at++) for (let bit = 0; bit < 8; bit++) expect(decodeTag(flipped(at, bit)).ok).toBe(false)
    const { payload } = readSlot(bytes, 'B')
    for (let at = 1032; at < 1032 + 12 + payload.length; at++)
      for (let bit = 0; bit < 8; bit++) {
        const read = good(decodeTag(flipped(at, bit)))
        expect(read).toMatchObject({ slot: 'A', sequence: now.sequence - 1, otherSlot: 'damaged', record: { iss: 7 } })
      }
  })
  it('a damaged slot is repaired by the next write', () => {
    const bytes = write(fresh(), { ...RECORD, iss: 8 })
    bytes[1032 + 20] ^= 4
    const after = good(decodeTag(write(bytes, { ...RECORD, iss: 9 })))
    expect(after).toMatchObject({ slot: 'B', sequence: 2, otherSlot: 'valid', record: { iss: 9 } })
  })
  it('a small carrier says which tool it is, and nothing that does not fit', () => {
    expect(good(decodeTag(fresh(RECORD, 512))).record).toEqual({ id: 'BX00142', t: 12, iss: 7 })
  })
  it('of another maker it is left alone; an empty one says nothing', () => {
    const other = Uint8Array.from({ length: 2048 }, (_, i) => (i * 37) & 0xff)
    expect(decodeTag(other)).toEqual({ ok: false, error: { code: 'FOREIGN' } })
    expect(encodeTagWrite(other, RECORD)).toEqual({ ok: false, error: { code: 'FOREIGN' } })
    for (const blank of [new Uint8Array(2048), new Uint8Array(2048).fill(0xff)]) {
      expect(decodeTag(blank)).toEqual({ ok: false, error: { code: 'NO_VALID_SLOT' } })
      expect(good(decodeTag(write(blank, RECORD))).record).toEqual(RECORD)
    }
  })
  it('refuses a record that does not fit', () => {
    expect(encodeFreshTag({ ...RECORD, bom: Array.from({ length: 200 }, (_, i) => `PART-${i}`) })).toMatchObject({
      ok: false,
      error: { code: 'TOO_LONG' },
    })
  })
})

const arbitrary: fc.Arbitrary<TagRecord> = fc
  .record(
    {
      id: fc.string({ minLength: 1, maxLength: 20 }),
      t: fc.integer({ min: 0, max: 99_999 }),
      iss: fc.nat(),
      lf: fc.double({ noNaN: true, noDefaultInfinity: true }),
      x: fc.double({ noNaN: true, noDefaultInfinity: true }),
      name: fc.string({ maxLength: 40 }),
      q: fc.integer({ min: 1, max: 9 }),
      bom: fc.array(fc.string({ maxLength: 12 }), { maxLength: 8 }),
    },
    { requiredKeys: ['id'] },
  )
  // −0 is written as the whole number 0
  .map((r) => JSON.parse(JSON.stringify(r)) as TagRecord)

describe('any record', () => {
  it('comes back as it was, and another library reads the same from it', () => {
    fc.assert(
      fc.property(arbitrary, arbitrary, (first, second) => {
        const bytes = write(fresh(first), second)
        expect(good(decodeTag(bytes)).record).toEqual(second)
        expect(decodeCbor(readSlot(bytes, 'B').payload)).toEqual(second)
        expect(decodeCbor(readSlot(bytes, 'A').payload)).toEqual(first)
      }),
      { numRuns: 500 },
    )
  })
  it('any bytes at all are read without a crash', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => {
        expect(decodeTag(bytes).ok).toBe(false)
      }),
      { numRuns: 5000 },
    )
    const bytes = fresh()
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(2047), fc.nat(255)), { maxLength: 30 }), (changes) => {
        const copy = bytes.slice()
        for (const [at, byte] of changes) copy[at] = byte
        decodeTag(copy)
      }),
      { numRuns: 5000 },
    )
  })
})
