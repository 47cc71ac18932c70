/** Times are told in the shop's zone, whatever the computer has. */
import { shopItself } from '@/db/shop/read'
import type { Db } from '@/db/connection'
import { renewThreads } from './threads'

export function applyZone(db: Db): void {
  const zone = shopItself(db)?.zone
  if ((zone || undefined) === process.env.TZ) return
  if (zone) process.env.TZ = zone
  else delete process.env.TZ
  renewThreads()
}
