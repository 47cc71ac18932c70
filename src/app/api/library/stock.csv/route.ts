import { encodeCsv } from '@/codecs/csv'
import { onHand } from '@/core/plan'
import { readStockLines } from '@/stations/library/stock-sheet'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** The count sheet: one row a part and place, with an empty column to count into. */
export const GET = guarded(['read'], (shop) => {
  const rows = readStockLines(shop.db).flatMap(({ part, balance, places }) =>
    (places.length ? places : [{ place: null, count: 0 }]).map(({ place, count }) => [
      part.id,
      part.name,
      place ?? '',
      count,
      '',
      onHand(balance),
      balance.built,
      balance.scrapped,
      balance.received,
    ]),
  )
  const columns = ['id', 'name', 'place', say.shouldLieThere, 'counted', say.onHand, say.builtIn, 'scrapped', 'received']
  return download(encodeCsv(columns, rows), 'text/csv; charset=utf-8', 'count-sheet.csv')
})
