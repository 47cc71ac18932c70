import { SI } from '@/core/units'
import { encodeCsv } from '@/codecs/csv'
import type { RecordEntry } from '@/core/tool'
import { type RecordQuery, listRecord } from '@/stations/reads'
import type { Shop } from '@/runtime'
import { recordText } from '@/words/record'
import { recordAsked, recordQuery } from '../../_server/record-query'
import { guarded } from '../_api/guard'
import { problem } from '../_api/problem'
import { streamed } from '../_api/streamed'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

type Db = Shop['db']

const COLUMNS = ['seq', 'at', 'who', 'what', 'serial', 't', 'machine', 'text', 'before', 'after'] as const
const AT_ONCE = 1000
const MOST = 1000

/** With its sentence, in millimetres. */
const inWords = (entry: RecordEntry): RecordEntry => ({ ...entry, text: recordText(entry, SI) })

/** Page after page of what is asked, so that the whole record never stands in memory. */
function* pages(db: Db, query: RecordQuery): Generator<RecordEntry[]> {
  let beforeSeq: number | undefined
  for (;;) {
    const entries = listRecord(db, { ...query, beforeSeq, limit: AT_ONCE })
    if (entries.length) yield entries.map(inWords)
    if (entries.length < AT_ONCE) return
    beforeSeq = entries[entries.length - 1].seq
  }
}

const csvRows = (entries: readonly RecordEntry[]) =>
  entries.map((e) =>
    COLUMNS.map((key) => (key === 'before' || key === 'after' ? (e[key] === null ? '' : JSON.stringify(e[key])) : e[key])),
  )

function* csv(db: Db, query: RecordQuery): Generator<string> {
  yield encodeCsv([...COLUMNS], [])
  for (const entries of pages(db, query)) yield encodeCsv(null, csvRows(entries))
}

function* json(db: Db, query: RecordQuery): Generator<string> {
  let between = '['
  for (const entries of pages(db, query)) {
    yield between + entries.map((e) => JSON.stringify(e)).join(',')
    between = ','
  }
  yield between === '[' ? '[]' : ']'
}

const whole = (text: string | null): number | null => (text !== null && /^\d{1,12}$/.test(text) ? Number(text) : null)

/**
 * The record, or what is searched for in it, as CSV or JSON; newest first. With `limit` (1 to 1000) one page: what is older
 * than the entry `before`.
 */
export const GET = guarded(['read'], ({ db }, request) => {
  const asked = request.nextUrl.searchParams
  const format = asked.get('format') ?? 'json'
  if (format !== 'json' && format !== 'csv') return problem(400, 'BAD_REQUEST', say.formatIsCsvOrJson)
  const query = recordQuery(recordAsked(asked))
  const limit = whole(asked.get('limit'))
  if (asked.has('limit') && (limit === null || limit < 1 || limit > MOST))
    return problem(400, 'BAD_REQUEST', say.limitIsAWholeNumber(MOST))
  if (limit !== null) {
    const beforeSeq = whole(asked.get('before')) ?? undefined
    const entries = listRecord(db, { ...query, beforeSeq, limit }).map(inWords)
    return format === 'json'
      ? Response.json(entries)
      : streamed([encodeCsv([...COLUMNS], csvRows(entries))].values(), 'text/csv; charset=utf-8', 'record.csv')
  }
  return format === 'json'
    ? streamed(json(db, query), 'application/json', null)
    : streamed(csv(db, query), 'text/csv; charset=utf-8', 'record.csv')
})
