import 'server-only'
import { seededRandom } from '@/core/numeric'
import { inTransaction, type Db } from '@/db/connection'
import { getThing } from '@/db/truth/read'
import { putThing } from '@/db/truth/write'
import { boreOf, fromHeadTicket, makeHead, toHeadTicket, turned, type OnHead } from '@/devices/world/head-truth'

const FIRST_SEED = 911
/** A cut and the measuring of it, one standard deviation, mm. */
const CUT_SIGMA_MM = 0.0015

/** A hand sets the dial of a simulated head, locks it, cuts and measures. @param backMm it was taken back so far first; 0: it came outwards only. @returns mm */
export function cutTestBore(db: Db, serial: string, on: OnHead, dialMm: number, backMm: number): number {
  let seed = FIRST_SEED
  for (const c of serial) seed = (Math.imul(seed, 31) + c.charCodeAt(0)) >>> 0
  const known = getThing(db, `head ${serial}`)
  const head = known === null ? makeHead(seed) : fromHeadTicket(known)
  const set = turned(backMm > 0 ? turned(head, dialMm - backMm) : head, dialMm)
  inTransaction(db, (tx) => putThing(tx, `head ${serial}`, toHeadTicket(set)))
  const { normal } = seededRandom(seed + Math.round(1e4 * dialMm))
  return boreOf(set, on, CUT_SIGMA_MM * normal())
}
