import { z } from 'zod'
import { theShop } from '@/runtime'
import { previewPost } from '@/stations/hand-over/preview-post'
import { jsonOf, readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const Body = z.object({
  machine: z.string({ error: say.theKeyOfAMachine }).max(40),
  assemblies: z.array(z.string().max(40), { error: say.aListOfSerials }).min(1, say.atLeastOneSerial).max(500),
  post: z.string().max(80).optional(),
})

/** What a post would say and what the control gets; on a scratch table only. */
export const POST = guarded(async (request) => {
  const body = await readBody(request, ['application/json'], 2 ** 20)
  if (!body.ok) return body.error
  const json = jsonOf(body.value)
  if (json === undefined) return problem(400, 'BAD_REQUEST', say.theBodyIsNoJson)
  const given = Body.safeParse(json)
  if (!given.success)
    return problem(
      400,
      'BAD_REQUEST',
      say.somethingInTheBodyIs,
      Object.fromEntries(given.error.issues.map((i) => [i.path.join('.') || 'body', i.message])),
    )
  const shop = theShop()
  const preview = await previewPost(shop.db, shop.control, given.data, shop.clock.now())
  if (!preview.ok) return refused(preview.error)
  return Response.json(preview.value)
})
