import { encodeCsv } from '@/codecs/csv'
import { fieldsOf, SET_UP_LISTS } from '@/core/set-up'
import { readRows } from '@/stations/set-up/pages'
import { headingsOf } from '@/words/set-up'
import { download } from '../../_api/download'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { say } from '@/words/screens/settings'

export const dynamic = 'force-dynamic'

/** A list of set-up as a table, lengths in mm; with `empty` only its headings, to be filled in. */
export const GET = guarded(['read'], (shop, request, { file }) => {
  const list = SET_UP_LISTS.find((one) => `${one}.csv` === file)
  if (!list) return problem(404, 'UNKNOWN_LIST', say.unknownList)
  const empty = new URL(request.url).searchParams.has('empty')
  const rows = empty ? [] : readRows(shop.db, list, 'mm').filter(({ retired }) => !retired)
  const cells = rows.map((row) => fieldsOf(list).map(([key]) => row.cells[key]))
  return download(encodeCsv(headingsOf(list, 'mm'), cells), 'text/csv; charset=utf-8', file)
})
