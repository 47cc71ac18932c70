import { z } from 'zod'
import { FRAME_SET_LIMITS } from '@/codecs/frame-set'
import { BENCH_FACTS } from '@/devices/bench/port'
import { CameraName } from '@/stations/measure/contract'
import { saveMeasurement } from '@/stations/measure/save-measurement'
import { serialOf } from '../../../../_server/params'
import { readBody } from '../../../_api/body'
import { guarded } from '../../../_api/guard'
import { personOf } from '../../../_api/person'
import { refused } from '../../../_api/refused'

export const dynamic = 'force-dynamic'

/** The pictures of a tool on our own bench, or of a terminal's camera that was calibrated: measured again here, that is the value of record. */
export const POST = guarded(['read'], async (shop, request, { serial }) => {
  const person = personOf(request, shop)
  if (person instanceof Response) return person
  const now = shop.clock.now()
  const asked = request.nextUrl.searchParams
  const taken = z.iso.datetime().catch(now).parse(asked.get('taken'))
  const body = await readBody(request, ['application/zip'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const done = await saveMeasurement({ db: shop.db, now, person }, shop.evidence, shop.frames.measure, {
    serial: serialOf(serial),
    scanned: (asked.get('scanned') ?? '').toUpperCase(),
    takenAt: taken,
    frames: body.value,
    mmPerPixel: BENCH_FACTS.mmPerPixel,
    checkId: asked.has('check') ? Number(asked.get('check')) : null,
    camera: CameraName.optional()
      .catch(undefined)
      .parse(asked.get('camera') ?? undefined),
    program: Number(asked.get('program') ?? 0),
    reason: asked.get('reason')?.trim().slice(0, 300) || undefined,
  })
  return done.ok ? Response.json(done.value) : refused(done.error)
})
