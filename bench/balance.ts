/** Two hundred simulated tools corrected with what is in a drawer, held against the truth; and how long the search takes. */
import { setScrews } from '@/core/balance'
import { polar, seededRandom } from '@/core/numeric'
import { balanceAll, calibrated, spindleRoom } from '../test/support/balance-room'
import { median } from './median'

const TOOLS = 200
const MOST_BEYOND = 20
const LEAST_SHARE = 0.95
const MOST_MS = 50
const MASSES_G = [0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.75, 1, 1.25, 1.5]

export async function balanceBench(): Promise<void> {
  const room = spindleRoom()
  const { missed, beyond } = await balanceAll(room, await calibrated(room), TOOLS)
  const reached = TOOLS - beyond - missed.length
  const poor = beyond > MOST_BEYOND || reached < LEAST_SHARE * (TOOLS - beyond)
  console.log(
    `\n${poor ? '!' : ' '} ${reached} of ${TOOLS} tools as wanted after at most two corrections; ${beyond} beyond the drawer`,
  )
  for (const one of missed) console.log(`    ${one}`)

  const random = seededRandom(3)
  const holes = Array.from({ length: 8 }, (_, i) => ({ deg: 45 * i, radiusMm: 22 }))
  const times = (work: () => void) =>
    median(
      Array.from({ length: 15 }, () => {
        const from = performance.now()
        work()
        return performance.now() - from
      }),
    )
  const numbers = Float64Array.from({ length: 1_000_000 }, () => random.uniform())
  const sorting = times(() => numbers.slice().sort())
  const ms = times(() => {
    const planes = [0, 1].map(() => ({ need: polar(5 + 60 * random.uniform(), 6 * random.uniform()), holes, massesG: MASSES_G }))
    setScrews(planes, [0.7, 0.5])
  })
  const slow = ms > MOST_MS && ms > sorting
  console.log(
    `${slow ? '!' : ' '} two planes of 8 holes, 12 masses: ${ms.toFixed(0)} ms (aim ${MOST_MS}), ${(ms / sorting).toFixed(2)} times sorting a million numbers`,
  )
}
