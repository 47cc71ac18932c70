import { z } from 'zod'
import { jsonOf, readBody } from '../_api/body'
import { guarded } from '../_api/guard'
import { problem } from '../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const Forward = z.object({ forwardS: z.number().positive().max(31_536_000) })

/** Sets the clock of a room of stand-ins forward; where anything real is connected there is no such route. */
export const POST = guarded(['read'], async ({ clock, bell }, request) => {
  if (!clock.forward) return problem(404, 'NO_SUCH_ROUTE', say.theClockIsSetForward)
  const body = await readBody(request, ['application/json'], 1024)
  if (!body.ok) return body.error
  const given = Forward.safeParse(jsonOf(body.value))
  if (!given.success) return problem(422, 'BAD_INPUT', say.sendForward)
  clock.forward(1000 * given.data.forwardS)
  bell.ring({ from: null, always: true })
  return Response.json({ now: clock.now() })
})
