import { z } from 'zod'
import { encodeStl } from '@/codecs/stl'
import { getDefinition } from '@/stations/reads'
import { profileOfDefinition } from '@/stations/rack/rack'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'
/** The drawn tool turned round its axis, for a collision check. */
export const GET = guarded(['read'], ({ db }, request, { id }) => {
  const definition = getDefinition(db, plainText(id))
  if (!definition) return problem(404, 'UNKNOWN_TOOL', say.thereIsNoTool(plainText(id).slice(0, 40)))
  const part = z
    .enum(['all', 'cutter', 'holder'])
    .catch('all')
    .parse(request.nextUrl.searchParams.get('part') ?? 'all')
  const name = `${definition.id}-${part}.stl`.replace(/[^\w.-]/g, '_')
  return new Response(encodeStl(profileOfDefinition(db, definition), part), {
    headers: { 'content-type': 'model/stl', 'content-disposition': `attachment; filename="${name}"` },
  })
})
