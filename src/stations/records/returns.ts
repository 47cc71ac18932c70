import { creepMm } from '@/core/judge'
import { returnsByTool, type CameBack } from '@/core/stats'
import type { RecordEntry } from '@/core/tool'
import { assemblyThen } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getDefinition } from '@/db/library/read'
import { listMeasuredOf } from '@/db/measurement/read'
import { listRecord } from '@/db/record/read'
import type { Entries } from '../entries'
import type { Disposition } from '../return/contract'
import type { ReturnsView } from './contract'

const DAY_MS = 86_400_000
const MOST = 400

/** After these a tool's life is over. */
const ENDED: ReadonlySet<Disposition> = new Set<Disposition>(['apart', 'scrap', 'broken'])

/** How much longer it came out than it went in: the last measurement before against the first one after. */
function longerMm(db: Db, serial: string, at: string): number | null {
  const all = listMeasuredOf(db, [serial], '', null)
  const before = all.findLast((m) => m.at < at)
  const after = all.find((m) => m.at >= at && m.assemblyId === before?.assemblyId)
  return before && after ? creepMm(before.result, after.result) : null
}

function cameBack(db: Db, { serial, at, entry, t }: RecordEntry): CameBack[] {
  const said = entry as Partial<Entries['UNLOADED']> | null
  const tool = serial === null ? null : assemblyThen(db, serial, at)
  if (!tool || serial === null || said?.disposition === undefined) return []
  const definition = tool.definition && getDefinition(db, tool.definition.id, tool.definition.version)
  const { disposition } = said
  return [
    {
      key: tool.definition?.id ?? tool.name,
      name: tool.name,
      ...{ t: tool.t ?? t, disposition, allowedMin: definition?.lifeMin ?? null },
      longerMm: ENDED.has(disposition) ? null : longerMm(db, serial, at),
      lifeMin: ENDED.has(disposition) ? tool.lifeUsedMin : null,
    },
  ]
}

/** What came back from the machines in the last days. */
export function readReturns(db: Db, now: string, days: number): ReturnsView {
  const from = new Date(Date.parse(now) - days * DAY_MS).toISOString()
  const out = ['unloaded', 'broken'].flatMap((what) => listRecord(db, { what, from, limit: MOST + 1 }))
  const newestFirst = out.sort((a, b) => b.seq - a.seq).slice(0, MOST)
  return { days, more: out.length > MOST, tools: returnsByTool(newestFirst.flatMap((entry) => cameBack(db, entry))) }
}
