import type { Difference } from '@/core/load'
import type { Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import type { WatchRow } from '@/db/watch/read'

/** A register by its name, or what else it is. */
export const whatOf = (d: Difference): string => (d.code === 'ROW_DIFFERS' ? d.register : d.code)

/** The hand-over that a tool's row is held against; null: none that counts. */
export const handoverOf = (db: Db, serial: string): number | null => currentHandover(db, serial)?.id ?? null

/** Whether it is still the one that was seen: of the same hand-over, with the same value there. */
export const isSame = (row: WatchRow, d: Difference, handover: number | null): boolean =>
  row.serial === d.serial &&
  row.what === whatOf(d) &&
  row.handover === handover &&
  JSON.stringify(row.difference) === JSON.stringify(d)
