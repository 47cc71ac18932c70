import { FRAME_SET_LIMITS } from '@/codecs/frame-set'
import { runtime } from '@/runtime'
import { saveCheck } from '@/stations/measure/check-bench'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { personOf } from '../../_api/person'
import { problem } from '../../_api/problem'

export const dynamic = 'force-dynamic'

const STATUS: Readonly<Record<string, number>> = { OTHER_MASTER: 409, OTHER_ZERO: 409, NO_MASTER: 409, TOO_LARGE: 413 }

/** The pictures of the setting master on our own bench: measured here, they set the bench's zero. */
export const POST = guarded(async (request) => {
  const house = runtime()
  const person = personOf(request)
  if (person instanceof Response) return person
  const body = await readBody(request, ['application/zip'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const asked = request.nextUrl.searchParams
  const done = saveCheck({ db: house.db, now: house.clock.now(), person }, house.evidence, {
    scanned: (asked.get('scanned') ?? '').toUpperCase(),
    frames: body.value,
    checkId: asked.has('check') ? Number(asked.get('check')) : null,
    reason: asked.get('reason')?.trim().slice(0, 300) || null,
  })
  if (done.ok) return Response.json(done.value)
  const text = 'text' in done.error ? done.error.text : done.error.detail
  return problem(STATUS[done.error.code] ?? 422, done.error.code, text)
})
