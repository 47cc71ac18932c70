/**
 * A chip that a tablet reads and writes by itself (Web NFC): the browser brings its bytes and takes the new ones, one record in one go. It
 * is not safe when power fails, and nothing is noted before the chip was read back.
 */
import { decodeTag, encodeFreshTag } from '@/codecs/tag'
import { fail, ok, type Result } from '@/core/units'
import { currentHandover } from '@/db/handover/read'
import type { Db } from '@/db/connection'
import { bytesTag } from './bytes-tag'
import type { TagStation } from '@/devices/tag/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser, write } from '../write'
import { tagRecordOf } from './tag-record'
import { holdsRecord, putOnTag } from './write-tag'

/** What fits on the small chips that a tablet writes. */
const CARRIER = 512

const fromText = (text: string) => Uint8Array.from(Buffer.from(text, 'base64'))
const toText = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64')

/** The bytes that the chip is to have. @param bytes what is on it, base64; null: nothing of ours */
export async function prepareNfc(
  db: Db,
  { serial, bytes }: { readonly serial: string; readonly bytes: string | null },
): Promise<Result<{ readonly bytes: string }, Refusal>> {
  const handover = currentHandover(db, serial)
  if (!handover) return fail({ code: 'NO_HANDOVER', serial })
  const record = tagRecordOf(db, handover)
  const known = bytes === null ? null : fromText(bytes)
  // whatever else was on it goes: a chip of ours keeps its spare copy
  if (known === null || !decodeTag(known).ok) {
    const fresh = encodeFreshTag(record, CARRIER)
    return fresh.ok ? ok({ bytes: toText(fresh.value) }) : fail({ code: 'TAG', fault: fresh.error })
  }
  const station = bytesTag(known)
  const put = await putOnTag(station, serial, () => record)
  return put.ok ? ok({ bytes: toText(station.now()) }) : put
}

/** Notes that the chip was written: by what was read back from it. */
export async function noteNfc(
  work: Work,
  { serial, bytes }: { readonly serial: string; readonly bytes: string },
): Promise<Result<{ readonly sequence: number; readonly repaired: boolean }, Refusal>> {
  const handover = currentHandover(work.db, serial)
  const subject = { serial, t: handover?.values.t, machine: handover?.values.machine }
  const refuse = refuser(work, 'Tag', subject)
  if (!handover) return refuse({ code: 'NO_HANDOVER', serial })
  const record = tagRecordOf(work.db, handover)
  const held = await holdsRecord(bytesTag(fromText(bytes)), record)
  if (held === null) return refuse({ code: 'TAG_READ_BACK' })
  const noted = { entry: { code: 'TAG_WRITTEN', serial, issue: handover.values.issue }, ...subject, after: record } as const
  return write(work, noted, () => ({ sequence: held, repaired: false }))
}

/** Longer than any chip. */
const MOST_TEXT = 6000

/** A carrier that a tablet has read, as a reader sees it. @param text base64 */
export const carrierTag = (text: string): TagStation => bytesTag(fromText(text.slice(0, MOST_TEXT)))
