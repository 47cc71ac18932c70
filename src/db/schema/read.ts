import { prepare, type Db } from '../connection'

/** Number of migrations applied. */
export const schemaVersion = (db: Db): number => (prepare(db, 'SELECT count(*) AS n FROM migration').get() as { n: number }).n
