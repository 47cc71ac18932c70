import { guarded } from '../../../_api/guard'
import { handoverOf, labelOf } from '../../../_api/label'

export const dynamic = 'force-dynamic'

export const GET = guarded(['hand over', 'load'], (shop, _request, { id }) => {
  const handover = handoverOf(shop.db, id)
  return handover instanceof Response
    ? handover
    : new Response(labelOf(shop.db, handover), { headers: { 'content-type': 'image/svg+xml' } })
})
