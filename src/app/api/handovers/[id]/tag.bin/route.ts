import { encodeFreshTag } from '@/codecs/tag'
import { tagRecordOf } from '@/stations/hand-over/tag-record'
import { guarded } from '../../../_api/guard'
import { handoverOf } from '../../../_api/label'
import { problem } from '../../../_api/problem'
import { tagFaultText } from '@/words/devices'

export const dynamic = 'force-dynamic'

/** A fresh tag with this hand-over's record: slot A, sequence 1, slot B empty. */
export const GET = guarded(['hand over', 'load'], (shop, _request, { id }) => {
  const handover = handoverOf(shop.db, id)
  if (handover instanceof Response) return handover
  const tag = encodeFreshTag(tagRecordOf(shop.db, handover))
  if (!tag.ok) return problem(422, tag.error.code, tagFaultText(tag.error))
  return new Response(new Uint8Array(tag.value), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename="${handover.values.serial}.bin"`,
    },
  })
})
