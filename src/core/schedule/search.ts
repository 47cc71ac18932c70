/** The order in which tools are served so that the largest lateness is least. */
import { seededRandom } from '../numeric'
import { latenessBound } from './bound'
import { begunFirst, nobodyServed, scheduleIn, serve, type Served } from './serve'
import type { Room, Schedule, ToolToDo } from './tool'

/** Up to so many tools every order counts; more are searched as far as the tries reach. */
export const EXACT_TOOLS = 9
const EPSILON = 1e-9

export interface Found {
  readonly schedule: Schedule
  /** No order stays below it, minutes. */
  readonly boundMin: number
  /** Whether no other order is better. */
  readonly exact: boolean
}

/** A schedule is better that is less late; of equal ones the one that is done earlier. */
const better = (a: Schedule, b: Schedule) =>
  a.latenessMin < b.latenessMin - EPSILON || (a.latenessMin < b.latenessMin + EPSILON && a.endMin < b.endMin - EPSILON)

/** The earliest date first. */
const byDate = (tools: readonly ToolToDo[]) => [...tools].sort((a, b) => a.dueMin - b.dueMin || (a.id < b.id ? -1 : 1))

/** Tools that are the same to the room: their order among each other does not matter. */
const likeness = (t: ToolToDo) => JSON.stringify([t.begun, t.dueMin, t.readyMin, t.coupling, t.steps, t.piece])

/** As many as all beginnings of all orders of nine tools: with that every one of them is looked at. */
const ALL_OF_NINE = 1_000_000

/**
 * Every order of the rest, as far as it can still be better than the best that is known.
 * @param most beginnings of orders that are looked at
 * @returns the best, and whether all were looked at
 */
function everyOrder(
  tools: readonly ToolToDo[],
  room: Room,
  first: Schedule,
  bound: number,
  most: number,
): { readonly schedule: Schedule; readonly all: boolean } {
  let left = most
  const like = tools.map(likeness)
  let best = first
  const order: ToolToDo[] = []
  const used = tools.map(() => false)
  const begun = tools.filter((t) => t.begun).length
  const go = (served: Served, late: number) => {
    if (best.latenessMin <= bound + EPSILON || left <= 0) return
    if (order.length === tools.length) {
      const whole = scheduleIn(order, room)
      if (better(whole, best)) best = whole
      return
    }
    const tried = new Set<string>()
    for (const [i, tool] of tools.entries()) {
      // what is begun comes first, in any order among itself
      if (used[i] || tried.has(like[i]) || (order.length < begun && !tool.begun)) continue
      tried.add(like[i])
      left--
      const placed = serve(served, room, tool)
      const lateNow = Math.max(late, placed.doneMin - tool.dueMin)
      // what is served later never makes an earlier one less late
      if (lateNow >= best.latenessMin - EPSILON) continue
      used[i] = true
      order.push(tool)
      go(placed.served, lateNow)
      order.pop()
      used[i] = false
    }
  }
  go(nobodyServed(), -Infinity)
  return { schedule: best, all: left > 0 || best.latenessMin <= bound + EPSILON }
}

/** So many tries without a better order, and it is shaken. */
const STUCK = 400
const SHAKEN_BY = 3

/**
 * One tool after another is served earlier or later, and kept where that is no worse; where nothing is better for long, several are moved at
 * once. Goes on for as long as it is asked to, or until no order can be better.
 * @returns the best so far after each try
 */
export function* lookOn(start: Schedule, tools: readonly ToolToDo[], room: Room, boundMin: number): Generator<Schedule> {
  const byId = new Map(tools.map((t) => [t.id, t]))
  const random = seededRandom(1)
  const pick = (n: number) => Math.min(n - 1, Math.floor(random.uniform() * n))
  const moved = (order: readonly string[]): string[] => {
    const next = [...order]
    const [one] = next.splice(pick(next.length), 1)
    next.splice(pick(order.length), 0, one)
    return next
  }
  let best = start
  let here = start
  for (let stuck = 0; best.latenessMin > boundMin + EPSILON;) {
    const shaken = stuck > 0 && stuck % STUCK === 0
    const order = shaken ? Array.from({ length: SHAKEN_BY }).reduce<readonly string[]>(moved, best.order) : moved(here.order)
    const next = scheduleIn(begunFirst(order.map((id) => byId.get(id)!)), room)
    if (shaken || !better(here, next)) here = next
    stuck = better(next, best) ? 0 : stuck + 1
    if (stuck === 0) best = next
    yield best
  }
}

/** The best of so many tries. */
function byMoves(start: Schedule, tools: readonly ToolToDo[], room: Room, bound: number, tries: number): Schedule {
  let best = start
  let left = tries
  if (tools.length < 2 || tries <= 0) return start
  for (const found of lookOn(start, tools, room, bound)) {
    best = found
    if (--left <= 0) break
  }
  return best
}

/**
 * @param tries how many other orders are looked at where there are too many tools for all of them
 * @param start orders that somebody proposed; the earliest date first is always among them
 * @param only this order and no other: what it comes to
 * @param most beginnings of orders of few tools that are looked at; as it is, all of nine
 */
export function bestSchedule(
  tools: readonly ToolToDo[],
  room: Room,
  tries = 400,
  start: readonly (readonly ToolToDo[])[] = [],
  only?: readonly ToolToDo[],
  most = ALL_OF_NINE,
): Found {
  const boundMin = latenessBound(tools, room)
  if (only) return { schedule: scheduleIn(begunFirst(only), room), boundMin, exact: false }
  const starts = [byDate(tools), ...start].map((order) => scheduleIn(begunFirst(order), room))
  const first = starts.reduce((a, b) => (better(b, a) ? b : a))
  const moved = byMoves(first, tools, room, boundMin, tries)
  if (tools.length > EXACT_TOOLS) return { schedule: moved, boundMin, exact: moved.latenessMin <= boundMin + EPSILON }
  const { schedule, all } = everyOrder(tools, room, moved, boundMin, most)
  return { schedule, boundMin, exact: all }
}

/** Everything that is shrunk before anything else, as some shops do it: the unit is hot, and the bodies are free. */
export const shrinkFirst = (tools: readonly ToolToDo[]): ToolToDo[] => {
  const shrunk = (t: ToolToDo) => t.steps.some(({ kind }) => kind === 'heat')
  const all = byDate(tools)
  return [...all.filter(shrunk), ...all.filter((t) => !shrunk(t))]
}
