import type { FeatureResult, MeasurementSource, SavedMeasurement, ToolResult, Verdict } from '@/core/judge'
import { prepare, type Db } from '../connection'

interface MeasurementRow {
  id: number
  assembly_id: number
  serial: string
  at: string
  person_id: string
  body: string
  evidence: string
  source: MeasurementSource
  reason: string | null
}

type Kept = Pick<SavedMeasurement, 'summary' | 'edges' | 'verdict'> &
  Partial<Pick<SavedMeasurement, 'steps' | 'program' | 'cutMin'>>
/** As it was written before there were programs: lengths only, all of the tool itself. */
interface OldFeature extends Omit<FeatureResult, 'step' | 'value' | 'sigma'> {
  readonly valueMm: number
  readonly sigmaMm: number
}
interface Body extends Kept {
  readonly result: Omit<ToolResult, 'features' | 'missing'> & {
    readonly features: readonly (FeatureResult | OldFeature)[]
    readonly missing: readonly (FeatureResult['key'] | ToolResult['missing'][number])[]
  }
}

function featureOf(f: FeatureResult | OldFeature): FeatureResult {
  if ('value' in f) return f
  const { valueMm, sigmaMm, ...rest } = f
  return { ...rest, step: null, value: valueMm, sigma: sigmaMm }
}

const measurement = (row: unknown): SavedMeasurement => {
  const r = row as MeasurementRow
  const body = JSON.parse(r.body) as Body
  return {
    summary: body.summary,
    edges: body.edges,
    verdict: body.verdict,
    steps: body.steps ?? [],
    program: body.program ?? null,
    result: {
      ...body.result,
      features: body.result.features.map(featureOf),
      missing: body.result.missing.map((m) => (typeof m === 'string' ? { key: m, step: null } : m)),
    },
    id: r.id,
    assemblyId: r.assembly_id,
    serial: r.serial,
    at: r.at,
    personId: r.person_id,
    evidence: r.evidence,
    source: r.source,
    reason: r.reason,
    ...(body.cutMin === undefined ? {} : { cutMin: body.cutMin }),
  }
}

const SELECT = 'SELECT m.*, a.serial FROM measurement m JOIN assembly a ON a.id = m.assembly_id'

/** The last measurement of a tool. */
export function lastMeasurement(db: Db, assemblyId: number): SavedMeasurement | null {
  const row = prepare(db, `${SELECT} WHERE m.assembly_id = ? ORDER BY m.id DESC LIMIT 1`).get(assemblyId)
  return row ? measurement(row) : null
}

/** Verdict of the last measurement of every tool that still is one, by its number. */
export function lastVerdicts(db: Db): ReadonlyMap<number, Verdict | null> {
  const rows = prepare(
    db,
    `SELECT m.assembly_id AS id, m.body ->> '$.verdict' AS verdict FROM measurement m
         JOIN assembly a ON a.id = m.assembly_id
        WHERE a.state <> 'apart' AND m.id = (SELECT max(id) FROM measurement WHERE assembly_id = m.assembly_id)`,
  ).all() as { id: number; verdict: Verdict | null }[]
  return new Map(rows.map((r) => [r.id, r.verdict]))
}

/** The last measurement of each tool that still is one, where it was taken from pictures since then. */
export const listMeasuredSince = (db: Db, at: string): SavedMeasurement[] =>
  prepare(
    db,
    `${SELECT} WHERE m.at >= ? AND m.source = 'pictures' AND a.state <> 'apart'
         AND m.id = (SELECT max(id) FROM measurement WHERE assembly_id = m.assembly_id) ORDER BY m.id`,
  )
    .all(at)
    .map(measurement)

export function getMeasurement(db: Db, id: number): SavedMeasurement | null {
  const row = prepare(db, `${SELECT} WHERE m.id = ?`).get(id)
  return row ? measurement(row) : null
}

/** Measurements of tools that were in tolerance, the newest first. */
export const listGoodMeasurements = (db: Db, limit: number): number[] =>
  (
    prepare(
      db,
      `SELECT m.id FROM measurement m WHERE m.body ->> '$.verdict' = 'holds' AND m.source = 'pictures' ORDER BY m.id DESC LIMIT ?`,
    ).all(limit) as { readonly id: number }[]
  ).map(({ id }) => id)

/** What something in force rests on: pictures of a tool that still stands, of the bench's last check, of a measuring program; runs of the spindle. */
export function listEvidenceInUse(db: Db): Set<string> {
  const rows = prepare(
    db,
    `SELECT evidence FROM measurement WHERE id IN
         (SELECT max(m.id) FROM measurement m JOIN assembly a ON a.id = m.assembly_id WHERE a.state <> 'apart' GROUP BY a.id)
       UNION SELECT evidence FROM bench_check WHERE id = (SELECT max(id) FROM bench_check)
       UNION SELECT evidence FROM measuring_program p
         WHERE version = (SELECT max(version) FROM measuring_program WHERE definition_id = p.definition_id)
       UNION SELECT evidence FROM balance_run`,
  ).all() as { evidence: string | null }[]
  return new Set(rows.flatMap((r) => (r.evidence ? [r.evidence] : [])))
}

export const listMeasurements = (db: Db, assemblyId: number): SavedMeasurement[] =>
  prepare(db, `${SELECT} WHERE m.assembly_id = ? ORDER BY m.id DESC`).all(assemblyId).map(measurement)

/** Minutes that each tool that still is one had cut when it was last measured; those that nobody noted are not in it. */
export function listMeasuredAfter(db: Db): Map<number, number> {
  const rows = prepare(
    db,
    `SELECT m.assembly_id AS id, m.body ->> '$.cutMin' AS cutMin FROM measurement m JOIN assembly a ON a.id = m.assembly_id
      WHERE a.state <> 'apart' AND m.id = (SELECT max(id) FROM measurement WHERE assembly_id = m.assembly_id)
        AND m.body ->> '$.cutMin' IS NOT NULL`,
  ).all() as { id: number; cutMin: number }[]
  return new Map(rows.map(({ id, cutMin }) => [id, cutMin]))
}

/** Measurements of tools that were measured more than once and are not apart, oldest first. */
export const listMeasuredAgain = (db: Db): SavedMeasurement[] =>
  prepare(
    db,
    `${SELECT} WHERE a.state <> 'apart' AND m.assembly_id IN (SELECT assembly_id FROM measurement GROUP BY assembly_id HAVING count(*) > 1)
      ORDER BY m.id`,
  )
    .all()
    .map(measurement)

/** The one before it of the same tool; null: it is the first. */
export function measurementBefore(
  db: Db,
  { id, assemblyId }: Pick<SavedMeasurement, 'id' | 'assemblyId'>,
): SavedMeasurement | null {
  const row = prepare(db, `${SELECT} WHERE m.assembly_id = ? AND m.id < ? ORDER BY m.id DESC LIMIT 1`).get(assemblyId, id)
  return row ? measurement(row) : null
}

/** When each tool that still is one was last measured. */
export function listMeasuredAt(db: Db): Map<number, string> {
  const rows = prepare(
    db,
    `SELECT a.id, max(m.at) AS at FROM assembly a JOIN measurement m ON m.assembly_id = a.id
     WHERE a.state <> 'apart' GROUP BY a.id`,
  ).all() as { id: number; at: string }[]
  return new Map(rows.map(({ id, at }) => [id, at]))
}

/** A tool's last measurement with whom and what it belongs to. */
export interface MeasuredTool {
  readonly at: string
  readonly personId: string
  readonly features: readonly FeatureResult[]
  readonly definitionId: string | null
  readonly machine: string | null
  /** Component of its holder; null where nobody noted it. */
  readonly holder: string | null
}

/** The last measurement of each tool in a time, the newest first. @param from, before ISO 8601 */
export function listMeasuredTools(
  db: Db,
  { from, before, limit }: { readonly from: string; readonly before: string; readonly limit: number },
): MeasuredTool[] {
  const rows = prepare(
    db,
    `SELECT m.at, m.person_id, m.body ->> '$.result.features' AS features, a.definition_id, a.machine_key,
            (SELECT h.component_id FROM holder h WHERE h.serial = a.serial) AS holder
       FROM measurement m JOIN assembly a ON a.id = m.assembly_id
      WHERE m.at >= ? AND m.at < ? AND m.id = (SELECT max(id) FROM measurement WHERE assembly_id = m.assembly_id)
      ORDER BY m.at DESC LIMIT ?`,
  ).all(from, before, limit) as {
    at: string
    person_id: string
    features: string
    definition_id: string | null
    machine_key: string | null
    holder: string | null
  }[]
  return rows.map((r) => ({
    ...{ at: r.at, personId: r.person_id, definitionId: r.definition_id, machine: r.machine_key, holder: r.holder },
    features: (JSON.parse(r.features) as (FeatureResult | OldFeature)[]).map(featureOf),
  }))
}

/** Measurements of some holders' tools in a time, in their order. @param until null: to the last */
export function listMeasuredOf(db: Db, serials: readonly string[], from: string, until: string | null): SavedMeasurement[] {
  return prepare(
    db,
    `${SELECT} WHERE a.serial IN (SELECT value FROM json_each(?)) AND m.at >= ? AND (? IS NULL OR m.at <= ?) ORDER BY m.id`,
  )
    .all(JSON.stringify(serials), from, until, until)
    .map(measurement)
}
