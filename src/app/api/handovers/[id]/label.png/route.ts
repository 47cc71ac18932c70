import { labelPng } from '@/codecs/label-picture'
import { guarded } from '../../../_api/guard'
import { handoverOf, labelOf } from '../../../_api/label'

export const dynamic = 'force-dynamic'

export const GET = guarded((_request, { id }) => {
  const handover = handoverOf(id)
  if (handover instanceof Response) return handover
  return new Response(new Uint8Array(labelPng(labelOf(handover))), { headers: { 'content-type': 'image/png' } })
})
