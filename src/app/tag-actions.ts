'use server'
import { z } from 'zod'
import { ok, type Result } from '@/core/units'
import { makeTag, type TagTrick } from '@/runtime/tag-tricks'
import { writeTag, type TagWritten } from '@/stations/hand-over/write-tag'
import { refuse } from '@/stations/refusals'
import { act, Serial, type Said } from './_server/act'

const One = z.object({ serial: Serial })

export async function writeTagAction(input: z.input<typeof One>): Promise<Result<TagWritten, Said>> {
  return act(One, input, (work, { serial }, house) => writeTag(work, house.tagOf(serial), serial))
}

const Trick = One.extend({ trick: z.enum(['new', 'small', 'foreign', 'flip', 'pull']) })

/** The hand at the reader, as a stand-in: puts a chip into a holder, or spoils it. */
export async function tagTrickAction(input: { serial: string; trick: TagTrick }): Promise<Result<null, Said>> {
  return act(Trick, input, (_work, { serial, trick }, house) =>
    makeTag(house.db, serial, trick) ? ok(null) : refuse({ code: 'NO_TAG' }),
  )
}
