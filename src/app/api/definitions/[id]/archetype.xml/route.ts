import { encodeArchetype } from '@/codecs/tool-archetype'
import { firstOf } from '@/core/tool'
import { getComponent, getDefinition } from '@/stations/reads'
import { plainText } from '../../../../_server/params'
import { download } from '../../../_api/download'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], ({ db, clock }, _request, { id }) => {
  const definition = getDefinition(db, plainText(id))
  if (!definition) return problem(404, 'UNKNOWN_TOOL', say.thereIsNoTool(plainText(id).slice(0, 40)))
  const holder = getComponent(db, firstOf(definition, 'holder') ?? '')
  const coupling = holder && 'CCMS' in holder ? String(holder.CCMS) : null
  return download(encodeArchetype(definition, coupling, clock.now()), 'application/xml', `${definition.id}.xml`)
})
