import { encodeCsv } from '@/codecs/csv'
import { say } from '@/words/screens/shell'
import { SmallAction } from './actions'

/** What a table shows, for a spreadsheet; nothing is asked of the server. */
export function CsvAction({
  columns,
  rows,
}: {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly (string | number)[])[]
}) {
  return (
    <SmallAction href={`data:text/csv;charset=utf-8,${encodeURIComponent(encodeCsv(columns, rows))}`} download>
      {say.asCsv}
    </SmallAction>
  )
}
