import { FRAME_SET_LIMITS } from '@/codecs/frame-set'
import { CouplingName } from '@/stations/contract'
import { saveCameraCheck } from '@/stations/measure/check-camera'
import { CameraName } from '@/stations/measure/contract'
import { readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { personOf } from '../../_api/person'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/camera'

export const dynamic = 'force-dynamic'

/** A terminal's camera that stands still, calibrated on a master by one picture of it. */
export const POST = guarded(['read'], async (shop, request) => {
  const person = personOf(request, shop)
  if (person instanceof Response) return person
  const asked = request.nextUrl.searchParams
  const camera = CameraName.safeParse(asked.get('camera'))
  const coupling = CouplingName.safeParse(asked.get('coupling'))
  if (!camera.success || !coupling.success) return problem(400, 'BAD_INPUT', say.cameraAndTaper)
  const body = await readBody(request, ['application/zip'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const done = await saveCameraCheck({ db: shop.db, now: shop.clock.now(), person }, shop.evidence, shop.frames.calibrate, {
    camera: camera.data,
    coupling: coupling.data,
    scanned: (asked.get('scanned') ?? '').toUpperCase(),
    frames: body.value,
  })
  return done.ok ? Response.json(done.value) : refused(done.error)
})
