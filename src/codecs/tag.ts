/** What a tag says: one CBOR map (RFC 8949, deterministic encoding) in a slot of the carrier. */
import { decode, encode, rfc8949EncodeOptions } from 'cborg'
import { z } from 'zod'
import { freshTag, planWrite, readTag, type BlockWrite, type SlotName, type SlotState, type TagFault } from '@/core/handover'
import { fail, ok, type Result } from '@/core/units'

const number = z.number().finite()
const whole = z.number().int()

/** Keys in their order; what is not known is left out. Lengths mm. */
export const TagRecord = z.looseObject({
  id: z.string().min(1),
  t: whole.optional(),
  iss: whole.optional(),
  lf: number.optional(),
  x: number.optional(),
  re: number.optional(),
  m: z.string().optional(),
  name: z.string().optional(),
  pot: whole.optional(),
  /** Wear of length and radius. */
  lw: number.optional(),
  xw: number.optional(),
  n: whole.optional(),
  q: whole.optional(),
  taper: z.string().optional(),
  wt: number.optional(),
  rpmx: number.optional(),
  g: number.optional(),
  grpm: number.optional(),
  /** Minutes. */
  lifeUsed: number.optional(),
  lifeMax: number.optional(),
  at: z.string().optional(),
  /** Component numbers: what to build it from again. */
  bom: z.array(z.string()).optional(),
})
export type TagRecord = z.output<typeof TagRecord>

export interface DecodedTag {
  readonly record: TagRecord
  readonly slot: SlotName
  readonly sequence: number
  readonly otherSlot: SlotState
}

const known = (record: TagRecord) => Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined))
const encodePayload = (record: TagRecord): Uint8Array => encode(known(record), rfc8949EncodeOptions)

/** @errors NO_VALID_SLOT also where a slot's bytes are whole and say nothing that is a record */
export function decodeTag(bytes: Uint8Array): Result<DecodedTag, TagFault> {
  const read = readTag(bytes)
  if (!read.ok) return read
  const { slot, sequence, otherSlot, payload } = read.value
  try {
    const record = TagRecord.safeParse(decode(payload, { rejectDuplicateMapKeys: true }))
    return record.success ? ok({ record: record.data, slot, sequence, otherSlot }) : fail({ code: 'NO_VALID_SLOT' })
  } catch {
    return fail({ code: 'NO_VALID_SLOT' })
  }
}

/** Only a large carrier has room for more than what says which tool it is. */
const SMALL_KEYS = ['id', 't', 'iss'] as const
const LARGE = 2048

/** What of a record a carrier of this size is given. */
export const fitting = (record: TagRecord, carrier: number): TagRecord =>
  carrier >= LARGE
    ? record
    : TagRecord.parse(Object.fromEntries(SMALL_KEYS.flatMap((key) => (record[key] === undefined ? [] : [[key, record[key]]]))))

/** The blocks that put a record on a carrier that holds `bytes` now, in their order. */
export const encodeTagWrite = (bytes: Uint8Array, record: TagRecord): Result<readonly BlockWrite[], TagFault> =>
  planWrite(bytes, encodePayload(fitting(record, bytes.length)))

export const encodeFreshTag = (record: TagRecord, carrier = LARGE): Result<Uint8Array, TagFault> =>
  freshTag(carrier, encodePayload(fitting(record, carrier)))
