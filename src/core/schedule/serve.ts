/**
 * Tools served one after the other: each step of a tool begins as early as what it needs is free, after everything that was served
 * before it (list scheduling by priority). What has been begun keeps its place.
 */
import type { Coupling } from '../tool'
import {
  NEEDS_PERSON,
  PLACE_OF,
  PLACES,
  type Block,
  type Place,
  type Room,
  type Schedule,
  type Step,
  type ToolToDo,
  type Wait,
} from './tool'

/** Taken from … to …, sorted by `from`. */
interface Taken {
  readonly from: number
  readonly to: number
  readonly by: string
}
interface OnBench extends Taken {
  readonly coupling: Coupling
  readonly change: number
}

/** What is taken of a room so far. */
export interface Served {
  readonly people: readonly Taken[]
  readonly places: Readonly<Record<Place, readonly Taken[]>>
  readonly bench: readonly OnBench[]
  readonly pieces: Readonly<Record<string, readonly Taken[]>>
}

const NOTHING: readonly Taken[] = []
export const nobodyServed = (): Served => ({
  people: NOTHING,
  places: Object.fromEntries(PLACES.map((place) => [place, NOTHING])) as Record<Place, readonly Taken[]>,
  bench: [],
  pieces: {},
})

const EPSILON = 1e-9
const overlaps = (t: Taken, from: number, to: number) => t.from < to - EPSILON && t.to > from + EPSILON

/** How many are in use at most while it is wanted. */
function mostAtOnce(taken: readonly Taken[], from: number, to: number): number {
  const within = taken.filter((t) => overlaps(t, from, to))
  let most = 0
  for (const at of [from, ...within.map((t) => t.from)]) {
    if (at < from - EPSILON) continue
    most = Math.max(most, within.filter((t) => t.from <= at + EPSILON && t.to > at + EPSILON).length)
  }
  return most
}

/** When something of which there is `count` is free for so long, not before `from`. */
function freeFrom(taken: readonly Taken[], count: number, from: number, minutes: number): number {
  if (count <= 0) return Infinity
  if (mostAtOnce(taken, from, from + minutes) < count) return from
  for (const end of taken
    .map((t) => t.to)
    .filter((to) => to > from)
    .sort((a, b) => a - b))
    if (mostAtOnce(taken, end, end + minutes) < count) return end
  return Infinity
}

/** When the bench is free, with its adapter changed where that is needed; what comes after it may want its own again. */
function onBench(bench: readonly OnBench[], room: Room, coupling: Coupling, from: number, minutes: number) {
  const changeTo = (now: Coupling | null, next: Coupling) => (now === next ? 0 : room.adapterMin)
  for (let i = 0; i <= bench.length; i++) {
    const before = bench[i - 1]
    const after = bench[i] as OnBench | undefined
    const change = changeTo(before ? before.coupling : room.adapter, coupling)
    const start = Math.max(from, before?.to ?? 0)
    const again = after && after.change === 0 ? changeTo(coupling, after.coupling) : 0
    if (!after || start + change + minutes + again <= after.from + EPSILON) return { start, change, index: i, again }
  }
  throw new Error('after the last one there is always room')
}

const insert = <T extends Taken>(all: readonly T[], one: T): T[] => [...all, one].sort((a, b) => a.from - b.from)
/** Who is still at it when it could have begun. */
const behindOf = (taken: readonly Taken[], at: number): string =>
  taken.findLast((t) => t.from <= at + EPSILON && t.to > at + EPSILON)?.by ?? taken.at(-1)?.by ?? ''

export interface Placed {
  readonly served: Served
  readonly blocks: readonly Block[]
  readonly doneMin: number
  readonly wait: Wait | null
}

/** Serves one more tool. */
export function serve(served: Served, room: Room, tool: ToolToDo): Placed {
  let { people, places, bench, pieces } = served
  const blocks: Block[] = []
  let wait: Wait | null = tool.readyMin > 0 ? { for: 'part', minutes: tool.readyMin } : null
  const longer = (next: Wait) => {
    if (next.minutes > (wait?.minutes ?? 0) + EPSILON) wait = next
  }
  let at = tool.readyMin
  const ownPiece = tool.piece !== null && room.pieces[tool.piece] !== undefined ? tool.piece : null
  if (ownPiece !== null) {
    const total = tool.steps.reduce((sum, { minutes }) => sum + minutes, 0)
    const from = freeFrom(pieces[ownPiece] ?? NOTHING, room.pieces[ownPiece], at, total)
    if (from > at)
      longer({ for: 'piece', piece: ownPiece, behind: behindOf(pieces[ownPiece] ?? NOTHING, at), minutes: from - at })
    at = from
  }
  const began = at
  for (const [i, step] of tool.steps.entries()) {
    const block = placeStep({ people, places, bench, pieces }, room, tool, step, at, tool.begun && i === 0)
    for (const w of block.waits) longer(w)
    const { fromMin, toMin, place } = block.block
    const taken = { from: fromMin, to: toMin, by: tool.id }
    if (NEEDS_PERSON[step.kind]) people = insert(people, taken)
    if (place === 'bench') {
      const after = bench.find((b) => b.from >= toMin - EPSILON && b.change === 0)
      // whoever comes after it gets the adapter changed again
      const moved =
        block.again > 0 && after
          ? bench.map((b) => (b === after ? { ...b, from: b.from - block.again, change: block.again } : b))
          : bench
      bench = insert(moved, { ...taken, coupling: tool.coupling, change: block.block.changeMin })
    } else if (place) places = { ...places, [place]: insert(places[place], taken) }
    blocks.push(block.block)
    at = toMin
  }
  if (ownPiece !== null)
    pieces = { ...pieces, [ownPiece]: insert(pieces[ownPiece] ?? NOTHING, { from: began, to: at, by: tool.id }) }
  return { served: { people, places, bench, pieces }, blocks, doneMin: at, wait }
}

function placeStep(served: Served, room: Room, tool: ToolToDo, step: Step, readyAt: number, begun: boolean) {
  const place = PLACE_OF[step.kind]
  const waits: Wait[] = []
  let change = 0
  let again = 0
  let at = readyAt
  // what is begun goes on at once, whatever else is wanted
  for (let round = 0; !begun && round < 1000; round++) {
    const from = at
    if (place === 'bench') {
      const found = onBench(served.bench, room, tool.coupling, at, step.minutes)
      if (found.start > at + EPSILON)
        waits.push({ for: 'place', place, behind: behindOf(served.bench, at), minutes: found.start - readyAt })
      if (found.change > 0) waits.push({ for: 'adapter', minutes: found.change })
      at = found.start
      change = found.change
      again = found.again
    } else if (place) {
      at = freeFrom(served.places[place], room.places[place], at, step.minutes)
      if (at > from + EPSILON)
        waits.push({ for: 'place', place, behind: behindOf(served.places[place], from), minutes: at - readyAt })
    }
    if (NEEDS_PERSON[step.kind]) {
      const free = freeFrom(served.people, room.people, at, step.minutes + change)
      if (free > at + EPSILON) waits.push({ for: 'person', minutes: free - readyAt })
      at = free
    }
    if (at === from || at === Infinity) break
  }
  const toMin = at + change + step.minutes
  const block: Block = { tool: tool.id, job: tool.job, kind: step.kind, place, fromMin: at, toMin, changeMin: change }
  return { block, waits, again }
}

/** All tools in this order; whatever was begun is served first. @param tools each of them once, in any order */
export function scheduleIn(order: readonly ToolToDo[], room: Room): Schedule {
  let served = nobodyServed()
  const blocks: Block[] = []
  const doneMin: Record<string, number> = {}
  const waits: Record<string, Wait> = {}
  let latenessMin = -Infinity
  for (const tool of begunFirst(order)) {
    const placed = serve(served, room, tool)
    served = placed.served
    blocks.push(...placed.blocks)
    doneMin[tool.id] = placed.doneMin
    if (placed.wait) waits[tool.id] = placed.wait
    latenessMin = Math.max(latenessMin, placed.doneMin - tool.dueMin)
  }
  return { order: order.map(({ id }) => id), blocks, doneMin, waits, latenessMin, endMin: Math.max(0, ...Object.values(doneMin)) }
}

export const begunFirst = (order: readonly ToolToDo[]): ToolToDo[] => [
  ...order.filter((t) => t.begun),
  ...order.filter((t) => !t.begun),
]
