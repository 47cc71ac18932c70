import { NOTHING, type Balance, type Lying, type StockMove } from '@/core/plan'
import { prepare, type Db } from '../connection'

export interface BookedMove extends StockMove {
  readonly id: number
  readonly at: string
  readonly who: string
  /** The move that this one puts right; and the one that put this one right. */
  readonly counters: number | null
  readonly counteredBy: number | null
}

const SUMS = `
  SELECT component_id AS component,
    sum(iif(from_account = 'outside', count, 0)) - sum(iif(to_account = 'outside', count, 0)) AS received,
    sum(iif(to_account = 'hand', count, 0)) - sum(iif(from_account = 'hand', count, 0)) AS hand,
    sum(iif(to_account = 'taken', count, 0)) - sum(iif(from_account = 'taken', count, 0)) AS taken,
    sum(iif(to_account = 'built', count, 0)) - sum(iif(from_account = 'built', count, 0)) AS built,
    sum(iif(to_account = 'scrap', count, 0)) - sum(iif(from_account = 'scrap', count, 0)) AS scrapped
  FROM move`

export function balanceOf(db: Db, componentId: string): Balance {
  const row = prepare(db, `${SUMS} WHERE component_id = ? GROUP BY component_id`).get(componentId) as
    (Balance & { component: string }) | undefined
  if (!row) return NOTHING
  const { received, hand, taken, built, scrapped } = row
  return { received, hand, taken, built, scrapped }
}

/** @param components left out: every part */
export function listBalances(db: Db, components?: Iterable<string>): Map<string, Balance> {
  const rows = prepare(db, `${SUMS} ${components ? THESE : ''} GROUP BY component_id`).all(...idsOf(components)) as (Balance & {
    component: string
  })[]
  return new Map(rows.map(({ component, ...balance }) => [component, balance]))
}

const THESE = 'WHERE component_id IN (SELECT value FROM json_each(?))'
const idsOf = (components?: Iterable<string>) => (components ? [JSON.stringify([...new Set(components)])] : [])

/** Pieces in their places; place null is "somewhere in the tool room". */
const LYING = `
  SELECT component, place, sum(n) AS count FROM (
    SELECT component_id AS component, to_place AS place, count AS n FROM move WHERE to_account = 'hand'
    UNION ALL
    SELECT component_id, from_place, -count FROM move WHERE from_account = 'hand')`

export interface LyingPart extends Omit<Lying, 'place'> {
  readonly component: string
  readonly place: string | null
}

/** @param components left out: every part */
export const listLying = (db: Db, components?: Iterable<string>): LyingPart[] =>
  prepare(
    db,
    `${LYING} ${components ? 'WHERE component IN (SELECT value FROM json_each(?))' : ''}
     GROUP BY component, place HAVING sum(n) <> 0 ORDER BY component, place`,
  ).all(...idsOf(components)) as LyingPart[]

/** What lies in these places. */
export const listLyingIn = (db: Db, places: readonly string[]): LyingPart[] =>
  prepare(
    db,
    `SELECT component, place, sum(n) AS count FROM (
       SELECT component_id AS component, to_place AS place, count AS n FROM move
         WHERE to_account = 'hand' AND to_place IN (SELECT value FROM json_each(:places))
       UNION ALL
       SELECT component_id, from_place, -count FROM move
         WHERE from_account = 'hand' AND from_place IN (SELECT value FROM json_each(:places)))
     GROUP BY component, place HAVING sum(n) <> 0 ORDER BY component, place`,
  ).all({ places: JSON.stringify(places) }) as LyingPart[]

export const lyingOf = (db: Db, componentId: string): LyingPart[] =>
  prepare(db, `${LYING} WHERE component = ? GROUP BY place HAVING sum(n) <> 0 ORDER BY count DESC`).all(
    componentId,
  ) as LyingPart[]

/** Where a part used to lie, for taking it back; null when it never had a place. */
export function lastPlaceOf(db: Db, componentId: string): string | null {
  const row = prepare(
    db,
    `SELECT coalesce(iif(to_account = 'hand', to_place, NULL), iif(from_account = 'hand', from_place, NULL)) AS place
       FROM move WHERE component_id = ? AND place IS NOT NULL ORDER BY id DESC LIMIT 1`,
  ).get(componentId) as { place: string } | undefined
  return row?.place ?? null
}

/** What jobs have fetched and not yet built in. @param job left out: every job */
export function listTaken(db: Db, job?: string): { job: string; component: string; count: number }[] {
  return prepare(
    db,
    `SELECT job_id AS job, component_id AS component, sum(iif(to_account = 'taken', count, -count)) AS count
       FROM move WHERE ${job === undefined ? 'job_id IS NOT NULL' : 'job_id = ?'} AND (to_account = 'taken' OR from_account = 'taken')
       GROUP BY job_id, component_id HAVING sum(iif(to_account = 'taken', count, -count)) > 0`,
  ).all(...(job === undefined ? [] : [job])) as { job: string; component: string; count: number }[]
}

interface MoveRow {
  id: number
  component_id: string
  name: StockMove['name']
  from_account: StockMove['from']
  to_account: StockMove['to']
  count: number
  from_place: string | null
  to_place: string | null
  job_id: string | null
  serial: string | null
  at: string
  who: string | null
  counters: number | null
  countered_by: number | null
}

const move = (row: unknown): BookedMove => {
  const r = row as MoveRow
  return {
    id: r.id,
    component: r.component_id,
    name: r.name,
    from: r.from_account,
    to: r.to_account,
    count: r.count,
    fromPlace: r.from_place,
    toPlace: r.to_place,
    job: r.job_id,
    serial: r.serial,
    at: r.at,
    who: r.who ?? 'Boulder',
    counters: r.counters,
    counteredBy: r.countered_by,
  }
}
const MOVES = `
  SELECT m.*, p.name AS who, c.id AS countered_by
  FROM move m LEFT JOIN person p ON p.id = m.person_id LEFT JOIN move c ON c.counters = m.id`

/** Newest first. @param filter left-out fields do not filter */
export const listMoves = (
  db: Db,
  filter: { component?: string; job?: string; serial?: string; limit?: number } = {},
): BookedMove[] =>
  prepare(
    db,
    `${MOVES} WHERE (:component IS NULL OR m.component_id = :component) AND (:job IS NULL OR m.job_id = :job)
       AND (:serial IS NULL OR m.serial = :serial) ORDER BY m.id DESC LIMIT :limit`,
  )
    .all({
      component: filter.component ?? null,
      job: filter.job ?? null,
      serial: filter.serial ?? null,
      limit: filter.limit ?? 200,
    })
    .map(move)

export function getMove(db: Db, id: number): BookedMove | null {
  const row = prepare(db, `${MOVES} WHERE m.id = ?`).get(id)
  return row ? move(row) : null
}

/** Number of the newest booking, 0 before the first. */
export const lastMove = (db: Db): number =>
  (prepare(db, 'SELECT coalesce(max(id), 0) AS id FROM move').get() as { id: number }).id
