import { guarded } from '../../../_api/guard'
import { handoverOf, labelOf } from '../../../_api/label'
import { refused } from '../../../_api/refused'

export const dynamic = 'force-dynamic'

export const GET = guarded(['hand over', 'load'], async (shop, _request, { id }) => {
  const handover = handoverOf(shop.db, id)
  if (handover instanceof Response) return handover
  const png = await shop.heavy.labelPng(labelOf(shop.db, handover))
  if (!png.ok) return refused(png.error)
  return new Response(new Uint8Array(png.value), { headers: { 'content-type': 'image/png' } })
})
