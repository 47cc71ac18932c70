import { decodeTag, encodeTagWrite, fitting, TagRecord, type DecodedTag } from '@/codecs/tag'
import { fail, ok, type Result } from '@/core/units'
import { currentHandover } from '@/db/handover/read'
import { type TagStation } from '@/devices/tag/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser, write } from '../write'
import { tagRecordOf } from './tag-record'

export interface TagWritten {
  readonly sequence: number
  /** A damaged slot was found, and is whole again. */
  readonly repaired: boolean
}

/** What the carrier before the reader says. */
export async function readTagNow(tag: TagStation): Promise<Result<DecodedTag, Refusal>> {
  const bytes = await tag.read()
  if (!bytes.ok) return fail({ code: 'TAG_READER', error: bytes.error })
  const read = decodeTag(bytes.value)
  return read.ok ? read : fail({ code: 'TAG', fault: read.error })
}

interface OnTag extends TagWritten {
  /** What it said before; null when nothing could be read. */
  readonly before: TagRecord | null
}

/** Which write a carrier holds, when it says this record, as far as it fits; null when it says anything else. */
export async function holdsRecord(tag: TagStation, record: TagRecord): Promise<number | null> {
  const bytes = await tag.read()
  const back = bytes.ok ? decodeTag(bytes.value) : null
  if (!bytes.ok || !back?.ok) return null
  const said = JSON.stringify(TagRecord.parse(back.value.record))
  return said === JSON.stringify(TagRecord.parse(fitting(record, bytes.value.length))) ? back.value.sequence : null
}

/** Writes a record to the carrier of a holder, reads it back and compares. @param change from what it says now, null when nothing */
export async function putOnTag(
  tag: TagStation,
  serial: string,
  change: (old: TagRecord | null) => TagRecord,
): Promise<Result<OnTag & { readonly record: TagRecord }, Refusal>> {
  const bytes = await tag.read()
  if (!bytes.ok) return fail({ code: 'TAG_READER', error: bytes.error })
  const old = decodeTag(bytes.value)
  if (old.ok && old.value.record.id !== serial) return fail({ code: 'OTHER_TAG', is: old.value.record.id, serial })
  const before = old.ok ? old.value.record : null
  const record = change(before)
  const writes = encodeTagWrite(bytes.value, record)
  if (!writes.ok) return fail({ code: 'TAG', fault: writes.error })
  for (const block of writes.value) {
    const done = await tag.write(block)
    if (!done.ok) return fail({ code: 'TAG_READER', error: done.error })
  }
  const sequence = await holdsRecord(tag, record)
  if (sequence === null) return fail({ code: 'TAG_READ_BACK' })
  return ok({ sequence, repaired: old.ok && old.value.otherSlot === 'damaged', before, record })
}

/**
 * Writes the current hand-over to the carrier of its holder, block by block in an order that leaves the old record whole
 * until the last.
 */
export async function writeTag(work: Work, tag: TagStation, serial: string): Promise<Result<TagWritten, Refusal>> {
  const handover = currentHandover(work.db, serial)
  const subject = { serial, t: handover?.values.t, machine: handover?.values.machine }
  const refuse = refuser(work, 'Tag', subject)
  if (!handover) return refuse({ code: 'NO_HANDOVER', serial })
  const put = await putOnTag(tag, serial, () => tagRecordOf(work.db, handover))
  if (!put.ok) return refuse(put.error)
  const { sequence, repaired, before, record } = put.value
  const { issue } = handover.values
  const noted = { entry: { code: 'TAG_WRITTEN', serial, issue }, ...subject, before, after: record } as const
  return write(work, noted, () => ({ sequence, repaired }))
}

/** What a tool brings back from its machine, on the chip in its holder; a holder without a chip has nothing to write to. */
export async function writeWear(
  work: Work,
  tag: TagStation,
  serial: string,
  back: { readonly lengthMm: number | null; readonly radiusMm: number | null; readonly lifeUsedMin: number },
): Promise<Result<'written' | 'no tag', Refusal>> {
  const bytes = await tag.read()
  if (!bytes.ok && bytes.error.code !== 'LOST') return ok('no tag')
  // a chip that carries nothing of ours is not begun with wear
  if (bytes.ok && !decodeTag(bytes.value).ok) return ok('no tag')
  const put = await putOnTag(tag, serial, (old) => ({
    ...(old ?? { id: serial }),
    lw: back.lengthMm ?? undefined,
    xw: back.radiusMm ?? undefined,
    lifeUsed: back.lifeUsedMin,
  }))
  if (!put.ok) return refuser(work, 'Tag', { serial })(put.error)
  const { before, record } = put.value
  const noted = { entry: { code: 'TAG_WEAR', serial }, serial, before, after: record } as const
  return write(work, noted, () => 'written' as const)
}
