import { openFrameSet } from '@/codecs/frame-set'
import { getProgram } from '@/stations/reads'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** What the bench sees of a tool of this kind: a picture of the measurement its program was kept from. */
export const GET = guarded(['read'], ({ db, evidence }, _request, { id }) => {
  const program = getProgram(db, plainText(id))
  const zip = program?.evidence ? evidence.read(program.evidence) : null
  const set = zip && openFrameSet(zip)
  if (!set?.ok) return problem(404, 'NO_PICTURES', say.noPicturesWereKeptWith)
  return new Response(new Uint8Array(set.value.pictures[0].png), { headers: { 'content-type': 'image/png' } })
})
