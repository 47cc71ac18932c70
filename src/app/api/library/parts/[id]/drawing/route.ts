import type { NextRequest } from 'next/server'
import { DRAWING_TYPES, type DrawingType } from '@/runtime'
import { componentVersion, getComponent } from '@/stations/reads'
import { putPart } from '@/stations/library/put-part'
import { plainText } from '../../../../../_server/params'
import { readBody } from '../../../../_api/body'
import { guarded } from '../../../../_api/guard'
import { personOf } from '../../../../_api/person'
import { problem } from '../../../../_api/problem'
import { refused } from '../../../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'
const MOST_BYTES = 10 * 2 ** 20

/** The first bytes of what may be shown. */
const STARTS: Readonly<Record<DrawingType, readonly number[]>> = {
  'image/png': [0x89, 0x50, 0x4e, 0x47],
  'image/jpeg': [0xff, 0xd8, 0xff],
  'application/pdf': [0x25, 0x50, 0x44, 0x46],
}
const typeOf = (bytes: Uint8Array): DrawingType | null =>
  (Object.keys(STARTS) as DrawingType[]).find((type) => STARTS[type].every((b, i) => bytes[i] === b)) ?? null

export const GET = guarded(['read'], (shop, _request, { id }) => {
  const { db, drawings } = shop
  const name = getComponent(db, plainText(id))?.drawing
  const bytes = name ? drawings.read(name) : null
  const type = bytes && typeOf(bytes)
  if (!bytes || !type) return problem(404, 'NO_DRAWING', say.thisPartHasNoPicture)
  return new Response(new Uint8Array(bytes), {
    headers: { 'content-type': type, 'content-security-policy': "default-src 'none'" },
  })
})

export const PUT = guarded(['read'], async (shop, request: NextRequest, { id }) => {
  const { db, drawings, clock } = shop
  const part = getComponent(db, plainText(id))
  if (!part) return problem(404, 'UNKNOWN_PART', say.theLibraryKnowsNoPart(plainText(id).slice(0, 40)))
  const version = componentVersion(db, part.id)
  const person = personOf(request, shop)
  if (person instanceof Response) return person
  const body = await readBody(request, Object.keys(DRAWING_TYPES), MOST_BYTES)
  if (!body.ok) return body.error
  const type = typeOf(body.value)
  if (!type) return problem(415, 'NOT_A_PICTURE', say.sendOneOf(Object.keys(DRAWING_TYPES).join(', ')))
  const drawing = drawings.put(part.id, type, body.value)
  const done = putPart({ db, now: clock.now(), person }, { ...part, drawing }, version)
  if (!done.ok) {
    if (drawing !== part.drawing) drawings.drop(drawing)
    return refused(done.error)
  }
  if (part.drawing && part.drawing !== drawing) drawings.drop(part.drawing)
  return Response.json({ drawing })
})
