import { labelPdf } from '@/codecs/label-picture'
import { labelFonts } from '@/runtime'
import { guarded } from '../../../_api/guard'
import { handoverOf, labelPictureOf } from '../../../_api/label'

export const dynamic = 'force-dynamic'

export const GET = guarded(async (_request, { id }) => {
  const handover = handoverOf(id)
  if (handover instanceof Response) return handover
  const pdf = await labelPdf([labelPictureOf(handover)], labelFonts())
  return new Response(new Uint8Array(pdf), { headers: { 'content-type': 'application/pdf' } })
})
