import type { CauseCounts } from '@/core/causes'
import type { Db } from '@/db/connection'
import { countCauses } from '@/db/cause/read'
import { remembered, writesStamp } from '@/db/remembered'

/** How often each cause was the right one here, once for all who ask while nothing changes. */
export const causeCounts = (db: Db): CauseCounts => remembered(db, 'causes', writesStamp(db), () => countCauses(db))
