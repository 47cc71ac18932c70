import { decodeTag } from '@/codecs/tag'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { tagFaultText } from '@/words/devices'

export const dynamic = 'force-dynamic'

/** The largest carriers hold 8 KB. */
const MOST_BYTES = 65_536

export const POST = guarded(['read', 'load'], async (_shop, request) => {
  const body = await readBody(request, ['application/octet-stream'], MOST_BYTES)
  if (!body.ok) return body.error
  const tag = decodeTag(body.value)
  return tag.ok ? Response.json(tag.value) : problem(422, 'NO_VALID_SLOT', tagFaultText(tag.error))
})
