import { encodeParts } from '@/codecs/parts-csv'
import { listComponents } from '@/stations/reads'
import { theShop } from '@/runtime'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'
export const GET = guarded(['read'], () =>
  download(encodeParts(listComponents(theShop().db)), 'text/csv; charset=utf-8', 'parts.csv'),
)
