import { probeDocument } from '@/codecs/mtconnect-answer'
import { listHandedOver } from '@/stations/outside/assets'
import { guarded } from '../../_api/guard'
import { xml } from '../../_api/xml'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], ({ db, clock }) => {
  return xml(probeDocument(clock.now(), listHandedOver(db).length))
})
