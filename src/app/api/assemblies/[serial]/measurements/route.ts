import { z } from 'zod'
import { FRAME_SET_LIMITS } from '@/codecs/frame-set'
import { BENCH_FACTS } from '@/devices/bench/port'
import { runtime } from '@/runtime'
import { saveMeasurement } from '@/stations/measure/save-measurement'
import { serialOf } from '../../../../_server/params'
import { readBody } from '../../../_api/body'
import { guarded } from '../../../_api/guard'
import { personOf } from '../../../_api/person'
import { problem } from '../../../_api/problem'

export const dynamic = 'force-dynamic'

const STATUS: Readonly<Record<string, number>> = {
  UNKNOWN_SERIAL: 404,
  TOO_LARGE: 413,
  OTHER_HOLDER: 409,
  NOT_NOW: 409,
  CHANGED: 409,
  WRONG_ADAPTER: 409,
  MASTER_DUE: 409,
  OTHER_ZERO: 409,
  OTHER_PROGRAM: 409,
  JUMP: 409,
}

/** The pictures of a tool on our own bench: measured again here, that is the value of record. */
export const POST = guarded(async (request, { serial }) => {
  const house = runtime()
  const person = personOf(request)
  if (person instanceof Response) return person
  const now = house.clock.now()
  const asked = request.nextUrl.searchParams
  const taken = z.iso.datetime().catch(now).parse(asked.get('taken'))
  const body = await readBody(request, ['application/zip'], FRAME_SET_LIMITS.packedBytes)
  if (!body.ok) return body.error
  const done = saveMeasurement({ db: house.db, now, person }, house.evidence, {
    serial: serialOf(serial),
    scanned: (asked.get('scanned') ?? '').toUpperCase(),
    takenAt: taken,
    frames: body.value,
    mmPerPixel: BENCH_FACTS.mmPerPixel,
    checkId: asked.has('check') ? Number(asked.get('check')) : null,
    program: Number(asked.get('program') ?? 0),
    reason: asked.get('reason')?.trim().slice(0, 300) || undefined,
  })
  if (done.ok) return Response.json(done.value)
  const text = 'text' in done.error ? done.error.text : done.error.detail
  return problem(STATUS[done.error.code] ?? 422, done.error.code, text)
})
