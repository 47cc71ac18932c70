import { FRAME_SET_LIMITS, frameSetAnswer } from '@/codecs/frame-set'
import { setErrorText, warningText } from '@/words/pictures'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'

export const dynamic = 'force-dynamic'

/** Measures any frame set, whoever took its pictures. Nothing is stored. */
export const POST = guarded(['read'], async (shop, request) => {
  const body = await readBody(request, ['application/zip', 'application/x-zip-compressed'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  // further steps of a measuring routine are other places of the tool: they say nothing about it as a whole
  const done = await shop.frames.measure(body.value, null)
  if (done.ok) return Response.json(frameSetAnswer(done.value.measured.tool, (edge, warning) => warningText(edge, warning, 'mm')))
  const { error } = done
  return error.code === 'SET' ? problem(422, 'BAD_FRAMESET', setErrorText(error.error)) : refused(error)
})
