import { encodeContour } from '@/codecs/dxf'
import { getDefinition } from '@/stations/reads'
import { profileOfDefinition } from '@/stations/rack/rack'
import { contourOfProfile } from '../../../../_parts/contour'
import { plainText } from '../../../../_server/params'
import { download } from '../../../_api/download'
import { guarded } from '../../../_api/guard'
import { problem } from '../../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'
/** The nominal contour: the one that was taken in, else the outline of the drawn tool. */
export const GET = guarded(['read'], ({ db }, _request, { id }) => {
  const definition = getDefinition(db, plainText(id))
  if (!definition) return problem(404, 'UNKNOWN_TOOL', say.thereIsNoTool(plainText(id).slice(0, 40)))
  const contour = definition.contour ?? contourOfProfile(profileOfDefinition(db, definition))
  return download(encodeContour(contour), 'image/vnd.dxf', `${definition.id}.dxf`)
})
