/** Nine tools of a room's day against every order, and a large day against its bound; a magazine of a large shop. */
import { planMagazine } from '@/core/plan'
import { seededRandom } from '@/core/numeric'
import { bestSchedule, scheduleIn, type ToolToDo } from '@/core/schedule'
import { COLLET, ROOM, SHRUNK, toolToDo } from '../test/support/room-day'
import { median } from './median'

const DAYS = 3
const MOST_MS = 50

function toolsOf(count: number, seed: number): ToolToDo[] {
  const { uniform } = seededRandom(seed)
  return Array.from({ length: count }, (_, i) => {
    const steps = uniform() < 0.5 ? SHRUNK : COLLET
    const dueMin = Math.round(10 * count * uniform())
    return toolToDo(String(i), steps, { dueMin, coupling: uniform() < 0.7 ? 'HSK-A63' : 'SK 40' })
  })
}

function leastOfAll(tools: readonly ToolToDo[]): number {
  let least = Infinity
  const go = (order: readonly ToolToDo[], rest: readonly ToolToDo[]) => {
    if (rest.length === 0) least = Math.min(least, scheduleIn(order, ROOM).latenessMin)
    for (const one of rest)
      go(
        [...order, one],
        rest.filter((t) => t !== one),
      )
  }
  go([], tools)
  return least
}

export function scheduleBench(): void {
  let same = 0
  for (let day = 1; day <= DAYS; day++) {
    const tools = toolsOf(9, day)
    if (Math.abs(bestSchedule(tools, ROOM).schedule.latenessMin - leastOfAll(tools)) < 1e-6) same++
  }
  console.log(`\n${same < DAYS ? '!' : ' '} ${same} of ${DAYS} days of nine tools as good as the best of all 362,880 orders`)
  const { schedule, boundMin } = bestSchedule(toolsOf(60, 4), ROOM)
  console.log(`  a day of 60 tools: ${schedule.latenessMin.toFixed(0)} min late, no order below ${boundMin.toFixed(0)} min`)
  const { uniform } = seededRandom(9)
  const jobs = Array.from({ length: 200 }, () => Array.from({ length: 12 }, () => `T${Math.floor(500 * uniform())}`))
  const times = Array.from({ length: 15 }, () => {
    const from = performance.now()
    planMagazine({ pockets: 60, jobs, loaded: [] })
    return performance.now() - from
  })
  const ms = median(times)
  console.log(`${ms > MOST_MS ? '!' : ' '} a magazine for 200 jobs of 500 tools: ${ms.toFixed(1)} ms (aim ${MOST_MS})`)
}
