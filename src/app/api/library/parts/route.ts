import { z } from 'zod'
import { ROLES } from '@/core/tool'
import { readParts } from '@/stations/library/parts-list'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'

export const dynamic = 'force-dynamic'

const Asked = z.object({
  words: z.string().max(80).optional(),
  kind: z.string().max(40).optional(),
  role: z.enum(ROLES).optional(),
  sizeMm: z.coerce.number().positive().optional(),
  sort: z.enum(['name', 'kind', 'size', 'RE', 'shank', 'length', 'onHand', 'places', 'maker']).optional(),
  down: z.literal('1').optional(),
  from: z.coerce.number().int().min(0).optional(),
  count: z.coerce.number().int().min(1).max(500).optional(),
})

/** Parts in short, lengths mm: every part, or with `count` a page of what is looked for. */
export const GET = guarded(['read'], (shop, request) => {
  const given = Asked.safeParse(Object.fromEntries(request.nextUrl.searchParams))
  if (!given.success)
    return problem(
      400,
      'BAD_REQUEST',
      `${given.error.issues[0].path.join('.')} is not as it should be: ${given.error.issues[0].message}`,
    )
  const { down, ...asked } = given.data
  const page = readParts(shop.db, { ...asked, down: down === '1' })
  return Response.json(asked.count === undefined ? page.rows : page)
})
