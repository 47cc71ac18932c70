import { assetsDocument, errorDocument } from '@/codecs/mtconnect-answer'
import { listHandedOver } from '@/stations/outside/assets'
import { say } from '@/words/screens/outside'
import { plainText } from '../../../../_server/params'
import { guarded } from '../../../_api/guard'
import { xml } from '../../../_api/xml'

export const dynamic = 'force-dynamic'
/** Assets by their ids, several with semicolons between them. */
export const GET = guarded(['read'], ({ db, clock }, _request, { id }) => {
  const wanted = plainText(id).split(';')
  const found = listHandedOver(db).filter((tool) => wanted.includes(tool.id))
  const made = found.length ? assetsDocument(found, clock.now()) : null
  return made?.ok
    ? xml(made.value)
    : xml(errorDocument(clock.now(), 'ASSET_NOT_FOUND', say.noSuchAsset(wanted[0].slice(0, 80))), 404)
})
