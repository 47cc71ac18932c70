import { z } from 'zod'
import { TOOL_STATES } from '@/core/tool'
import { findAssemblies } from '@/stations/reads'
import { guarded } from '../_api/guard'
import { problem } from '../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const Query = z.object({
  t: z.coerce.number({ error: say.mustBeAWholeNumber }).int().optional(),
  machine: z.string().optional(),
  state: z.enum(TOOL_STATES, { error: say.mustBeOneOf(TOOL_STATES.join(', ')) }).optional(),
})

export const GET = guarded(['read'], (shop, request) => {
  const query = Query.safeParse(Object.fromEntries([...request.nextUrl.searchParams].filter(([, value]) => value !== '')))
  if (!query.success)
    return problem(
      400,
      'BAD_REQUEST',
      say.theFilterCannotBeRead,
      Object.fromEntries(query.error.issues.map((i) => [i.path.join('.'), i.message])),
    )
  return Response.json(
    findAssemblies(shop.db, query.data).map(({ serial, t, machine, state, name, pocket, dueAt }) => ({
      serial,
      t,
      machine,
      state,
      name,
      pocket,
      dueAt,
    })),
  )
})
