import type { Db } from '../connection'

/** Number of migrations applied. */
export const schemaVersion = (db: Db): number => (db.prepare('SELECT count(*) AS n FROM migration').get() as { n: number }).n
