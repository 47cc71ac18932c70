import { couplingTable, type CouplingFacts, type Couplings } from '@/core/tool'
import { prepare, type Db } from '../connection'
import { remembered } from '../remembered'

/** What the shop has changed or added. */
export interface OwnCoupling extends CouplingFacts {
  readonly version: number
}

export const ownCouplings = (db: Db): OwnCoupling[] =>
  (prepare(db, 'SELECT body, version FROM coupling ORDER BY name').all() as { body: string; version: number }[]).map(
    ({ body, version }) => ({ ...(JSON.parse(body) as CouplingFacts), version }),
  )

/** All couplings by name: the standard ones, and the shop's own in their place. */
export function readCouplings(db: Db): Couplings {
  const { stamp } = prepare(
    db,
    `SELECT count(*) || '/' || coalesce(group_concat(name || ':' || version), '') AS stamp FROM coupling`,
  ).get() as {
    stamp: string
  }
  return remembered(db, 'couplings', stamp, () => couplingTable(ownCouplings(db)))
}
