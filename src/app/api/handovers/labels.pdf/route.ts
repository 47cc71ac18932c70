import { labelFonts } from '@/runtime'
import { guarded } from '../../_api/guard'
import { labelPictureOf } from '@/stations/hand-over/label-of'
import { handoverOf } from '../../_api/label'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const MOST_LABELS = 500

/** Labels of several hand-overs at once: `?ids=4,5,6`, a page each, or `&on=sheet` for A4. */
export const GET = guarded(['hand over', 'load'], async (shop, request) => {
  const asked = request.nextUrl.searchParams
  const ids = [...new Set((asked.get('ids') ?? '').split(',', MOST_LABELS + 1).filter(Boolean))]
  if (!ids.length || ids.length > MOST_LABELS) return problem(400, 'BAD_REQUEST', say.nameTheHandOversIds(MOST_LABELS))
  const pictures = []
  for (const id of ids) {
    const handover = handoverOf(shop.db, id)
    if (handover instanceof Response) return handover
    pictures.push(labelPictureOf(shop.db, handover))
  }
  const pdf = await shop.heavy.labelPdf(pictures, labelFonts(), asked.get('on') === 'sheet' ? 'sheet' : 'single')
  if (!pdf.ok) return refused(pdf.error)
  return new Response(new Uint8Array(pdf.value), { headers: { 'content-type': 'application/pdf' } })
})
