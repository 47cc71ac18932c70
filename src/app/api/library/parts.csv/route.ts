import { encodeParts } from '@/codecs/parts-csv'
import { listComponents } from '@/stations/reads'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], (shop) =>
  download(encodeParts(listComponents(shop.db)), 'text/csv; charset=utf-8', 'parts.csv'),
)
