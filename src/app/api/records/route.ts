import { encodeCsv } from '@/codecs/csv'
import { listRecord } from '@/db/record/read'
import { runtime } from '@/runtime'
import { recordAsked, recordQuery } from '../../_server/record-query'
import { download } from '../_api/download'
import { guarded } from '../_api/guard'
import { problem } from '../_api/problem'

export const dynamic = 'force-dynamic'

/** No limit, as SQLite says it: a record that is cut off without a word is none. */
const ALL = -1
const COLUMNS = ['seq', 'at', 'who', 'what', 'serial', 't', 'machine', 'text', 'before', 'after'] as const

/** The record, or what is searched for in it, as CSV or JSON; newest first. */
export const GET = guarded((request) => {
  const asked = request.nextUrl.searchParams
  const format = asked.get('format') ?? 'json'
  if (format !== 'json' && format !== 'csv') return problem(400, 'BAD_REQUEST', 'format is csv or json.')
  const entries = listRecord(runtime().db, { ...recordQuery(recordAsked(asked)), limit: ALL })
  if (format === 'json') return Response.json(entries)
  const rows = entries.map((e) =>
    COLUMNS.map((key) => (key === 'before' || key === 'after' ? (e[key] === null ? '' : JSON.stringify(e[key])) : e[key])),
  )
  return download(encodeCsv([...COLUMNS], rows), 'text/csv; charset=utf-8', 'record.csv')
})
