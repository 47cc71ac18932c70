/** Another order of a machine's jobs that needs fewer tools put in, as far as their dates allow it. */
import { seededRandom } from '../numeric'
import { ok, type Result } from '../units'
import { planMagazine, type BadMagazine, type MagazinePlan, type MagazineTask } from './magazine'

/** Up to so many jobs every order that the dates allow is looked at. */
export const EXACT_JOBS = 10
const TRIES = 600

export interface OrderedJob {
  readonly tools: readonly string[]
  /** When it has to begin, minutes from now, and how long it runs. */
  readonly dueMin: number
  readonly minutes: number
}

export interface MagazineFound {
  /** Indices of the jobs. */
  readonly order: readonly number[]
  readonly plan: MagazinePlan
  /** Whether no other order that the dates allow needs fewer. */
  readonly exact: boolean
}

/** Whether every job begins in time; jobs that are late in the order that was given may be as late, no later. */
function inTime(order: readonly number[], jobs: readonly OrderedJob[], late: readonly number[]): boolean {
  let at = 0
  for (const i of order) {
    if (at > jobs[i].dueMin + late[i] + 1e-9) return false
    at += jobs[i].minutes
  }
  return true
}

/** How late each job begins in the order that is given, minutes; 0: in time. */
function latenessOf(jobs: readonly OrderedJob[]): number[] {
  let at = 0
  return jobs.map(({ dueMin, minutes }) => {
    const late = Math.max(0, at - dueMin)
    at += minutes
    return late
  })
}

/**
 * @param jobs in the order that is planned now
 * @returns the order with the fewest tools put in; the planned one where nothing is fewer
 */
export function searchMagazine(
  jobs: readonly OrderedJob[],
  magazine: Omit<MagazineTask, 'jobs'>,
): Result<MagazineFound, BadMagazine> {
  const late = latenessOf(jobs)
  const wide = Object.values(magazine.sizes ?? {}).some((size) => size > 1)
  const planOf = (order: readonly number[]) => planMagazine({ ...magazine, jobs: order.map((i) => jobs[i].tools) })
  const planned = jobs.map((_, i) => i)
  const first = planOf(planned)
  if (!first.ok) return first
  let best: MagazineFound = { order: planned, plan: first.value, exact: true }
  const consider = (order: readonly number[]) => {
    const plan = planOf(order)
    if (plan.ok && plan.value.switches < best.plan.switches) best = { ...best, order, plan: plan.value }
  }
  if (jobs.length <= EXACT_JOBS) {
    eachOrder(jobs, late, magazine, () => best.plan.switches, consider)
    // with tools that take more than one pocket the plan of an order need not be its best
    return ok(wide ? { ...best, exact: best.plan.switches === best.plan.least } : best)
  }
  const { uniform } = seededRandom(1)
  const pick = () => Math.min(jobs.length - 1, Math.floor(uniform() * jobs.length))
  for (let i = 0; i < TRIES && best.plan.switches > best.plan.least; i++) {
    const order = [...best.order]
    const [moved] = order.splice(pick(), 1)
    order.splice(pick(), 0, moved)
    if (inTime(order, jobs, late)) consider(order)
  }
  return ok({ ...best, exact: best.plan.switches === best.plan.least })
}

/** Every order that keeps the dates, as far as it can still need fewer: what was put in so far, and what never was in and is still wanted. */
function eachOrder(
  jobs: readonly OrderedJob[],
  late: readonly number[],
  magazine: Omit<MagazineTask, 'jobs'>,
  best: () => number,
  consider: (order: readonly number[]) => void,
): void {
  const order: number[] = []
  const used = jobs.map(() => false)
  const go = (at: number) => {
    if (order.length === jobs.length) return consider([...order])
    for (const [i, job] of jobs.entries()) {
      if (used[i] || at > job.dueMin + late[i] + 1e-9) continue
      order.push(i)
      used[i] = true
      if (leastFor(order, jobs, magazine) < best()) go(at + job.minutes)
      used[i] = false
      order.pop()
    }
  }
  go(0)
}

/** No end of this order needs fewer: what it puts in at least so far, and whatever the rest wants and nobody had in. */
function leastFor(order: readonly number[], jobs: readonly OrderedJob[], magazine: Omit<MagazineTask, 'jobs'>): number {
  const so = planMagazine({ ...magazine, jobs: order.map((i) => jobs[i].tools) })
  if (!so.ok) return Infinity
  const had = new Set([...magazine.loaded, ...order.flatMap((i) => jobs[i].tools)])
  const rest = new Set(jobs.flatMap((job, i) => (order.includes(i) ? [] : job.tools)).filter((tool) => !had.has(tool)))
  return so.value.switches + rest.size
}
