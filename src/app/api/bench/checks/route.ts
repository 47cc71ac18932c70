import { FRAME_SET_LIMITS } from '@/codecs/frame-set'
import { saveCheck } from '@/stations/measure/check-bench'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { personOf } from '../../_api/person'
import { refused } from '../../_api/refused'

export const dynamic = 'force-dynamic'

/** The pictures of the setting master on our own bench: measured here, they set the bench's zero. */
export const POST = guarded(['read'], async (shop, request) => {
  const person = personOf(request, shop)
  if (person instanceof Response) return person
  const body = await readBody(request, ['application/zip'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const asked = request.nextUrl.searchParams
  const done = await saveCheck({ db: shop.db, now: shop.clock.now(), person }, shop.evidence, shop.frames.measure, {
    scanned: (asked.get('scanned') ?? '').toUpperCase(),
    frames: body.value,
    checkId: asked.has('check') ? Number(asked.get('check')) : null,
    reason: asked.get('reason')?.trim().slice(0, 300) || null,
  })
  return done.ok ? Response.json(done.value) : refused(done.error)
})
