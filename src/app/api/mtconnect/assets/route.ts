import { z } from 'zod'
import { assetsDocument, errorDocument } from '@/codecs/mtconnect-answer'
import { listHandedOver } from '@/stations/outside/assets'
import { say } from '@/words/screens/outside'
import { guarded } from '../../_api/guard'
import { xml } from '../../_api/xml'

export const dynamic = 'force-dynamic'

/** As an agent answers without being asked for more. */
const USUAL = 100
const Query = z.object({
  count: z.coerce.number().int().min(1).max(4096).default(USUAL),
  type: z.string().max(40).default('CuttingTool'),
})

export const GET = guarded(['read'], ({ db, clock }, request) => {
  const query = Query.safeParse(Object.fromEntries(request.nextUrl.searchParams))
  if (!query.success) return xml(errorDocument(clock.now(), 'OUT_OF_RANGE', say.countOutOfRange), 400)
  const { count, type } = query.data
  const made = assetsDocument(type === 'CuttingTool' ? listHandedOver(db).slice(0, count) : [], clock.now())
  return made.ok ? xml(made.value) : xml(errorDocument(clock.now(), 'ASSET_NOT_FOUND', made.error.detail), 500)
})
