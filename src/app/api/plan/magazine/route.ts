import { z } from 'zod'
import { planMagazine } from '@/core/plan'
import { readJson } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { refused } from '../../_api/refused'

export const dynamic = 'force-dynamic'

const Tool = z.string().min(1).max(80)
/** Up to these it is a matter of milliseconds. */
const [MOST_JOBS, MOST_TOOLS, MOST_BYTES] = [500, 600, 2 ** 21]

const Body = z.object({
  pockets: z.number().int().min(0).max(MOST_TOOLS),
  jobs: z.array(z.array(Tool).max(MOST_TOOLS)).max(MOST_JOBS),
  loaded: z.array(Tool).max(MOST_TOOLS).default([]),
})

/** Jobs in the order given, with the fewest tools put in. */
export const POST = guarded(['read'], async (_shop, request) => {
  const given = await readJson(request, Body, MOST_BYTES)
  if (!given.ok) return given.error
  const plan = planMagazine(given.value)
  if (!plan.ok) return refused({ code: 'BAD_MAGAZINE', ...plan.error })
  const { switches, steps } = plan.value
  return Response.json({ switches, steps })
})
