import { encodeDefinitions } from '@/codecs/definitions-csv'
import { listDefinitions } from '@/stations/reads'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], (shop) =>
  download(encodeDefinitions(listDefinitions(shop.db)), 'text/csv; charset=utf-8', 'tools.csv'),
)
