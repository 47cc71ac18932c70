import { prepare, type Db } from '../connection'

/** What a dial was set to. mm on diameter. */
export interface DialBody {
  readonly dialMm: number
  /** What it should cut. */
  readonly expectedMm: number
  readonly wantedMm: number
  readonly leaveMm: number
  /** Nose radius of the insert, mm. */
  readonly noseMm: number
}
export interface BoreBody {
  readonly boreMm: number
}

export type BoreEvent = {
  readonly id: number
  readonly series: number
  readonly at: string
  readonly who: string
} & (({ readonly kind: 'dial' } & DialBody) | ({ readonly kind: 'bore' } & BoreBody))

interface Row {
  readonly id: number
  readonly series: number
  readonly kind: string
  readonly at: string
  readonly who: string
  readonly body: string
}
const event = ({ body, ...row }: Row): BoreEvent => ({ ...row, ...(JSON.parse(body) as object) }) as BoreEvent

const SELECT = `SELECT b.id, b.series, b.kind, b.at, p.name AS who, b.body FROM bore_event b JOIN person p ON p.id = b.person_id`

/** Everything that was done with this tool, the oldest first. */
export const boreEvents = (db: Db, assemblyId: number): BoreEvent[] =>
  (prepare(db, `${SELECT} WHERE b.assembly_id = ? ORDER BY b.id`).all(assemblyId) as Row[]).map(event)

/** The newest events of a head, whatever tool it was, the oldest of them first. */
export const headEvents = (db: Db, head: string, most: number): BoreEvent[] =>
  (prepare(db, `${SELECT} WHERE b.head = ? ORDER BY b.id DESC LIMIT ?`).all(head, most) as Row[]).map(event).reverse()

/** The last series of a head; 0 without one. */
export const lastSeries = (db: Db, head: string): number =>
  (prepare(db, 'SELECT coalesce(max(series), 0) AS last FROM bore_event WHERE head = ?').get(head) as { readonly last: number })
    .last
