import { CODE_PICTURE_SIDE_PX } from '@/codecs/read-code'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** A photograph of a telephone. */
const MOST_BYTES = 16 * 2 ** 20

/** Codes in a picture of a label or of a mark: for a terminal that has a camera and no scanner. */
export const POST = guarded(['read', 'load'], async (shop, request) => {
  const body = await readBody(request, ['image/png', 'image/jpeg'], MOST_BYTES)
  if (!body.ok) return body.error
  const read = await shop.heavy.codes(body.value)
  if (!read.ok) return refused(read.error)
  const codes = read.value
  if (codes.ok) return Response.json({ codes: codes.value })
  if (codes.error.code === 'TOO_LARGE') return problem(413, 'TOO_LARGE', say.aPictureCanHave(CODE_PICTURE_SIDE_PX))
  return codes.error.code === 'NO_CODE'
    ? problem(422, 'NO_CODE', say.noCodeCanBeRead)
    : problem(422, 'NOT_A_PICTURE', say.thisIsNoPngOr)
})
