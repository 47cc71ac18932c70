import { currentDocument } from '@/codecs/mtconnect-answer'
import { listHandedOver } from '@/stations/outside/assets'
import { guarded } from '../../_api/guard'
import { xml } from '../../_api/xml'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], ({ db, clock }) => {
  return xml(currentDocument(clock.now(), listHandedOver(db)[0] ?? null))
})
