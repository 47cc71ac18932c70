/**
 * A data carrier in the holder, byte by byte: a head, then two slots that are written in turn, so that a write cut short
 * anywhere leaves the old record. What a slot's payload says is the codec's business.
 */
import { fail, ok, type Result } from '../units'
import { crc32 } from './crc'

export const BLOCK = 4
const HEAD = 16
const MAGIC = [0x42, 0x4c, 0x44, 0x54] // BLDT
const VERSION = 1
/** Before the payload: sequence, length, zero, CRC. */
const SLOT_HEAD = 12

export type SlotName = 'A' | 'B'
export type SlotState = 'valid' | 'empty' | 'damaged'

export interface Slot {
  readonly state: SlotState
  readonly sequence: number
  readonly payload: Uint8Array
}

export interface TagRead {
  readonly slot: SlotName
  readonly sequence: number
  readonly payload: Uint8Array
  readonly otherSlot: SlotState
}

/** Four bytes and where they go. */
export interface BlockWrite {
  readonly address: number
  readonly bytes: Uint8Array
}

export type TagFault =
  /** Not of our making, or its head is damaged. */
  | { readonly code: 'FOREIGN' }
  /** Of our making, and nothing on it can be read. */
  | { readonly code: 'NO_VALID_SLOT' }
  | { readonly code: 'TOO_LONG'; readonly bytes: number; readonly most: number }

/** Bytes of a slot of a carrier of this size. */
export const slotSize = (carrier: number): number => Math.floor((carrier - HEAD) / 2 / BLOCK) * BLOCK
export const mostPayload = (carrier: number): number => slotSize(carrier) - SLOT_HEAD
const slotAt = (carrier: number, slot: SlotName): number => HEAD + (slot === 'A' ? 0 : slotSize(carrier))

function headOf(carrier: number): Uint8Array {
  const size = slotSize(carrier)
  return Uint8Array.from([...MAGIC, VERSION, BLOCK, size >> 8, size & 0xff, 0, 0, 0, 0, 0, 0, 0, 0])
}

const isOurs = (bytes: Uint8Array): boolean =>
  bytes.length >= HEAD &&
  headOf(bytes.length)
    .subarray(0, 8)
    .every((b, i) => b === bytes[i])
const isBlank = (bytes: Uint8Array): boolean => bytes.every((b) => b === 0) || bytes.every((b) => b === 0xff)

/** Nothing on it yet but, where the first write was cut short, a part of our head. */
const isUnwritten = (bytes: Uint8Array): boolean => {
  const head = headOf(bytes.length)
  return isBlank(bytes) || (isBlank(bytes.subarray(HEAD)) && head.every((b, i) => bytes[i] === b || bytes[i] === bytes[HEAD]))
}

const u16 = (bytes: Uint8Array, at: number) => (bytes[at] << 8) | bytes[at + 1]
const u32 = (bytes: Uint8Array, at: number) =>
  ((bytes[at] << 24) | (bytes[at + 1] << 16) | (bytes[at + 2] << 8) | bytes[at + 3]) >>> 0
const put32 = (value: number) => [value >>> 24, (value >>> 16) & 0xff, (value >>> 8) & 0xff, value & 0xff]

/** Sequence and length, which the CRC covers together with the payload. */
const counted = (sequence: number, length: number) => [...put32(sequence), length >> 8, length & 0xff]

export function readSlot(bytes: Uint8Array, slot: SlotName): Slot {
  const at = slotAt(bytes.length, slot)
  const head = bytes.subarray(at, at + SLOT_HEAD)
  const none = { sequence: 0, payload: new Uint8Array() }
  if (isBlank(head)) return { state: 'empty', ...none }
  const sequence = u32(bytes, at)
  const length = u16(bytes, at + 4)
  if (u16(bytes, at + 6) !== 0 || length > mostPayload(bytes.length)) return { state: 'damaged', ...none }
  const payload = bytes.slice(at + SLOT_HEAD, at + SLOT_HEAD + length)
  if (crc32([...counted(sequence, length), ...payload]) !== u32(bytes, at + 8)) return { state: 'damaged', ...none }
  return { state: 'valid', sequence, payload }
}

/** The valid slot with the higher sequence; of equal ones the first. */
export function readTag(bytes: Uint8Array): Result<TagRead, TagFault> {
  if (!isOurs(bytes)) return fail({ code: isUnwritten(bytes) ? 'NO_VALID_SLOT' : 'FOREIGN' })
  const a = readSlot(bytes, 'A')
  const b = readSlot(bytes, 'B')
  if (a.state !== 'valid' && b.state !== 'valid') return fail({ code: 'NO_VALID_SLOT' })
  const first = a.state === 'valid' && (b.state !== 'valid' || a.sequence >= b.sequence)
  const { sequence, payload } = first ? a : b
  return ok({ slot: first ? 'A' : 'B', sequence, payload, otherSlot: first ? b.state : a.state })
}

/** A carrier as it comes from us with its first record: slot A, sequence 1, slot B empty. */
export function freshTag(carrier: number, payload: Uint8Array): Result<Uint8Array, TagFault> {
  const blank = new Uint8Array(carrier)
  const plan = planWrite(blank, payload)
  return plan.ok ? ok(applyWrites(blank, plan.value)) : plan
}

/**
 * The blocks that put a record on a carrier, in the order in which they must be written: the payload first, the sequence
 * last. The slot that holds the record in force is not touched.
 * @param bytes what the carrier holds now; a blank one gets its head first
 */
export function planWrite(bytes: Uint8Array, payload: Uint8Array): Result<readonly BlockWrite[], TagFault> {
  const carrier = bytes.length
  const most = mostPayload(carrier)
  if (payload.length > most) return fail({ code: 'TOO_LONG', bytes: payload.length, most })
  const blank = !isOurs(bytes)
  if (blank && !isUnwritten(bytes)) return fail({ code: 'FOREIGN' })
  const now = blank ? null : readTag(bytes)
  const slot: SlotName = now?.ok && now.value.slot === 'A' ? 'B' : 'A'
  const sequence = now?.ok ? now.value.sequence + 1 : 1
  const at = slotAt(carrier, slot)
  const writes: BlockWrite[] = []
  const block = (address: number, four: Iterable<number>) => writes.push({ address, bytes: Uint8Array.from(four) })
  if (blank) for (let i = 0; i < HEAD; i += BLOCK) block(i, headOf(carrier).subarray(i, i + BLOCK))
  const body = new Uint8Array(most)
  body.set(payload)
  for (let i = 0; i < most; i += BLOCK) {
    const four = body.subarray(i, i + BLOCK)
    const there = bytes.subarray(at + SLOT_HEAD + i, at + SLOT_HEAD + i + BLOCK)
    if (i < payload.length || four.some((b, k) => b !== there[k])) block(at + SLOT_HEAD + i, four)
  }
  block(at + 8, put32(crc32([...counted(sequence, payload.length), ...payload])))
  block(at + 4, [payload.length >> 8, payload.length & 0xff, 0, 0])
  block(at, put32(sequence))
  return ok(writes)
}

/** A carrier after the first so many of these writes; all of them without a count. */
export function applyWrites(bytes: Uint8Array, writes: readonly BlockWrite[], count = writes.length): Uint8Array {
  const after = bytes.slice()
  for (const { address, bytes: four } of writes.slice(0, count)) after.set(four, address)
  return after
}
