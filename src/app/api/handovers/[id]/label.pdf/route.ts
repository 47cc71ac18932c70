import { labelFonts } from '@/runtime'
import { guarded } from '../../../_api/guard'
import { labelPictureOf } from '@/stations/hand-over/label-of'
import { handoverOf } from '../../../_api/label'
import { refused } from '../../../_api/refused'

export const dynamic = 'force-dynamic'

export const GET = guarded(['hand over', 'load'], async (shop, _request, { id }) => {
  const handover = handoverOf(shop.db, id)
  if (handover instanceof Response) return handover
  const pdf = await shop.heavy.labelPdf([labelPictureOf(shop.db, handover)], labelFonts())
  if (!pdf.ok) return refused(pdf.error)
  return new Response(new Uint8Array(pdf.value), { headers: { 'content-type': 'application/pdf' } })
})
