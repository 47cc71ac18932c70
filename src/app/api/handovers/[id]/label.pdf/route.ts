import { labelFonts, theShop } from '@/runtime'
import { guarded } from '../../../_api/guard'
import { handoverOf, labelPictureOf } from '../../../_api/label'
import { refused } from '../../../_api/refused'

export const dynamic = 'force-dynamic'

export const GET = guarded(['hand over', 'load'], async (_request, { id }) => {
  const handover = handoverOf(id)
  if (handover instanceof Response) return handover
  const pdf = await theShop().heavy.labelPdf([labelPictureOf(handover)], labelFonts())
  if (!pdf.ok) return refused(pdf.error)
  return new Response(new Uint8Array(pdf.value), { headers: { 'content-type': 'application/pdf' } })
})
