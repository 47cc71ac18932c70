import { z } from 'zod'
import { previewPost } from '@/stations/hand-over/preview-post'
import { readJson } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const Body = z.object({
  machine: z.string({ error: say.theKeyOfAMachine }).max(40),
  assemblies: z.array(z.string().max(40), { error: say.aListOfSerials }).min(1, say.atLeastOneSerial).max(500),
  post: z.string().max(80).optional(),
})

/** What a post would say and what the control gets; on a scratch table only. */
export const POST = guarded(['hand over'], async (shop, request) => {
  const given = await readJson(request, Body, 2 ** 20)
  if (!given.ok) return given.error
  const preview = await previewPost(shop.db, shop.control, given.value, shop.clock.now())
  if (!preview.ok) return refused(preview.error)
  return Response.json(preview.value)
})
