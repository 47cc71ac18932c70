/** Times are told in the shop's zone, whatever the computer has. */
import { shopItself } from '@/db/shop/read'
import type { Db } from '@/db/connection'

export function applyZone(db: Db): void {
  const zone = shopItself(db)?.zone
  if (zone) process.env.TZ = zone
}
