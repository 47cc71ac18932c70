import { measuredCsv } from '@/stations/outside/assets'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'

export const dynamic = 'force-dynamic'
/** Tools that are handed over, as one table. */
export const GET = guarded(['read'], (shop) => download(measuredCsv(shop.db), 'text/csv; charset=utf-8', 'tools.csv'))
