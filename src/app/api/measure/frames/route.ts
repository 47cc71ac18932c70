import { decodeFrameSet, FRAME_SET_LIMITS, frameSetAnswer } from '@/codecs/frame-set'
import { measureSet } from '@/core/measure'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { setErrorText, warningText } from '@/words/pictures'

export const dynamic = 'force-dynamic'

/** Measures any frame set, whoever took its pictures. Nothing is stored. */
export const POST = guarded(async (request) => {
  const body = await readBody(request, ['application/zip', 'application/x-zip-compressed'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const set = decodeFrameSet(body.value)
  if (!set.ok) return problem(set.error.code === 'TOO_LARGE' ? 413 : 422, set.error.code, set.error.detail)
  const measured = measureSet(
    // further steps of a measuring program are other places of the tool: they say nothing of it as a whole
    set.value.pictures.filter((p) => !p.stage),
    set.value.mmPerPixel,
    set.value.measure,
  )
  if (!measured.ok) return problem(422, 'BAD_FRAMESET', setErrorText(measured.error))
  return Response.json(frameSetAnswer(measured.value, (edge, warning) => warningText(edge, warning, 'mm')))
})
