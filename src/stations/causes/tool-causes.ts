import {
  type CauseCase,
  belowTip,
  caseOf,
  causesOf,
  clampingFor,
  nextSteps,
  possibleCauses,
  type CauseKind,
  type CauseKnown,
} from '@/core/causes'
import { fail, type Result } from '@/core/units'
import type { SavedMeasurement } from '@/core/judge'
import type { Definition } from '@/core/tool'
import { getAssemblyById } from '@/db/assembly/read'
import { getCauseSaid } from '@/db/cause/read'
import { putCauseSaid } from '@/db/cause/write'
import type { Db } from '@/db/connection'
import { measurementBefore } from '@/db/measurement/read'
import { readMeasure, readMeasureOf, type MeasureSheet } from '../measure/measure-sheet'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { CausesSheet } from './contract'
import { causeCounts } from './counts'

function kindOf({ assembly, made }: MeasureSheet, { toolClass }: Definition): CauseKind {
  if (made.clamping === 'boring') return 'boring'
  if (made.clamping === 'arbor') return 'shell'
  if (assembly.parts.some(({ role }) => role === 'insert')) return 'inserts'
  return toolClass === 'drill' || toolClass === 'tap' ? 'drill' : 'solid'
}

/** What is known of a tool besides its pictures; null where its edges are not alike (stepped inserts, turning tools). */
export function causeKnown(db: Db, sheet: MeasureSheet, last: SavedMeasurement | null): CauseKnown | null {
  const { assembly, definition, made } = sheet
  if (!definition || definition.stepped || definition.toolClass === 'turn' || made.clamping === 'turning') return null
  const { LF, DC, RE } = last?.summary ?? {}
  return {
    ...{ kind: kindOf(sheet, definition), clamping: clampingFor(made.clamping), heat: assembly.heat, counts: causeCounts(db) },
    before: LF != null && DC != null ? { LF, DC, ...(RE != null && { RE }) } : null,
    minutesCut: assembly.lifeUsedMin,
  }
}

/** One measurement of a tool as a case to judge; null where that cannot be said. */
export function caseAt(db: Db, measured: SavedMeasurement): CauseCase | null {
  const assembly = getAssemblyById(db, measured.assemblyId)
  if (!assembly || measured.verdict === null) return null
  const sheet = readMeasureOf(db, assembly, measured)
  const known = causeKnown(db, sheet, measurementBefore(db, measured))
  return known && caseOf(measured.edges, sheet.limits, known, measured.at, belowTip(sheet.steps, measured.steps))
}

/** What is most likely wrong with a tool, by its last measurement; null where that cannot be said, or nothing was asked of it. */
export function readCauses(db: Db, serial: string): CausesSheet | null {
  const sheet = readMeasure(db, serial)
  const last = sheet?.last
  if (!sheet || !last || sheet.assembly.state === 'loaded' || last.verdict === null) return null
  const known = causeKnown(db, sheet, measurementBefore(db, last))
  const given = known && caseOf(last.edges, sheet.limits, known, last.at, belowTip(sheet.steps, last.steps))
  if (!known || !given) return null
  const causes = causesOf(given, known.counts)
  return {
    ...{ serial, measurement: last.id, causes, next: nextSteps(given, causes) },
    possible: possibleCauses(given),
    edges: given.edges.map((e) => e.edge),
    said: getCauseSaid(db, last.id),
  }
}

/** The same for the tool's own page: of a tool in tolerance nobody asks, unless somebody has said something. */
export function readCausePanel(db: Db, serial: string): CausesSheet | null {
  const last = readMeasure(db, serial)?.last
  return last && (last.verdict !== 'holds' || getCauseSaid(db, last.id)) ? readCauses(db, serial) : null
}

interface Found {
  readonly serial: string
  readonly measurement: number
  readonly code: CausesSheet['possible'][number]
  readonly edge: number | null
}

/** Somebody found what was wrong: the next measurement shows whether they were right, and the record learns from it. */
export function sayCause(work: Work, { serial, measurement, code, edge }: Found): Result<null, Refusal> {
  const sheet = readCauses(work.db, serial)
  const tool = readMeasure(work.db, serial)?.assembly
  const settled: Refusal = { code: 'CAUSE_SETTLED' }
  if (!sheet || !tool || sheet.measurement !== measurement) return fail(settled)
  const [first] = sheet.causes
  const entry = { code: 'CAUSE_SAID', cause: code, edge, told: first.code, p: first.p } as const
  return write(work, { entry, serial, t: tool.t, machine: tool.machine }, (tx) => {
    const told = sheet.causes.map(({ code: c, edge: e, p }) => ({ code: c, edge: e, p }))
    const put = { measurementId: measurement, assemblyId: tool.id, code, edge, told, at: tx.now, personId: tx.person.id }
    must(putCauseSaid(tx.db, put), settled)
    return null
  })
}
