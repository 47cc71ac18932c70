import 'server-only'
import { inTransaction, type Db } from '@/db/connection'
import { getSimTag } from '@/db/truth/read'
import { putSimTag } from '@/db/truth/write'

/** A new chip, a small one, one of another maker; a flipped bit; a hand that pulls the tool away in the middle. */
export type TagTrick = 'new' | 'small' | 'foreign' | 'flip' | 'pull'

const LARGE = 2048
const SMALL = 512
/** Somewhere in the payload of the first slot. */
const FLIP_AT = 40
const PULL_AFTER = 12

/** @returns false when there is no chip to play with */
export function makeTag(db: Db, serial: string, trick: TagTrick): boolean {
  const put = (tag: { readonly bytes: Uint8Array; readonly lostAfter: number | null }) => {
    inTransaction(db, (tx) => putSimTag(tx, serial, tag))
    return true
  }
  if (trick === 'new' || trick === 'small')
    return put({ bytes: new Uint8Array(trick === 'new' ? LARGE : SMALL), lostAfter: null })
  if (trick === 'foreign')
    return put({ bytes: Uint8Array.from({ length: LARGE }, (_, i) => (i * 37 + 11) & 0xff), lostAfter: null })
  const tag = getSimTag(db, serial)
  if (!tag) return false
  const bytes = tag.bytes.slice()
  if (trick === 'flip') bytes[FLIP_AT] ^= 1
  return put({ bytes, lostAfter: trick === 'pull' ? PULL_AFTER : tag.lostAfter })
}
