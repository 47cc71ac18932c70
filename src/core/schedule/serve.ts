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
  /** What each bench does; the first is the one whose adapter is known. */
  readonly benches: readonly (readonly OnBench[])[]
  readonly pieces: Readonly<Record<string, readonly Taken[]>>
}

const NOTHING: readonly Taken[] = []
const NO_BENCH: readonly OnBench[] = []
export const nobodyServed = (): Served => ({
  people: NOTHING,
  places: Object.fromEntries(PLACES.map((place) => [place, NOTHING])) as Record<Place, readonly Taken[]>,
  benches: [],
  pieces: {},
})

const EPSILON = 1e-9

/** How many are in use at most while it is wanted. @param taken sorted by their beginnings */
function mostAtOnce(taken: readonly Taken[], from: number, to: number): number {
  let most = 0
  // it changes to more only where one begins: at the beginning, and whenever another one joins
  for (let i = 0, at = from; ; i++) {
    let now = 0
    for (const t of taken) {
      if (t.from > at + EPSILON) break
      if (t.to > at + EPSILON) now++
    }
    most = Math.max(most, now)
    while (i < taken.length && taken[i].from < from + EPSILON) i++
    if (i >= taken.length || taken[i].from >= to - EPSILON) return most
    at = taken[i].from
  }
}

/** When something of which there is `count` is free for so long, not before `from`. */
function freeFrom(taken: readonly Taken[], count: number, from: number, minutes: number): number {
  if (count <= 0) return Infinity
  if (taken.length < count || mostAtOnce(taken, from, from + minutes) < count) return from
  let at = from
  for (;;) {
    // the next one that is through
    let next = Infinity
    for (const { to } of taken) if (to > at && to < next) next = to
    if (next === Infinity || mostAtOnce(taken, next, next + minutes) < count) return next
    at = next
  }
}

/** When one bench is free, with its adapter changed where that is needed; what comes after it may want its own again. */
function onBench(
  bench: readonly OnBench[],
  first: Coupling | null,
  adapterMin: number,
  coupling: Coupling,
  from: number,
  minutes: number,
) {
  const changeTo = (now: Coupling | null, next: Coupling) => (now === next ? 0 : adapterMin)
  for (let i = 0; i <= bench.length; i++) {
    const before = bench[i - 1]
    const after = bench[i] as OnBench | undefined
    const change = changeTo(before ? before.coupling : first, coupling)
    const start = Math.max(from, before?.to ?? 0)
    const again = after && after.change === 0 ? changeTo(coupling, after.coupling) : 0
    if (!after || start + change + minutes + again <= after.from + EPSILON) return { start, change, again }
  }
  throw new Error('after the last one there is always room')
}

/**
 * The bench that is through soonest. An adapter stays with the bench that had it first: with so many adapters of a taper it is measured on no
 * more benches than that, whatever is free.
 */
function soonestBench({ benches }: Served, room: Room, coupling: Coupling, from: number, minutes: number) {
  const firstOf = (i: number) => (i === 0 ? room.adapter : null)
  const all = Array.from({ length: room.places.bench }, (_, i) => benches[i] ?? NO_BENCH)
  const has = all.map((bench, i) => firstOf(i) === coupling || bench.some((b) => b.coupling === coupling))
  const more = has.filter(Boolean).length < (room.adapters[coupling] ?? Infinity)
  let best: (ReturnType<typeof onBench> & { readonly index: number }) | null = null
  for (const [index, bench] of all.entries()) {
    if (!has[index] && !more) continue
    const found = onBench(bench, firstOf(index), room.adapterMin, coupling, from, minutes)
    if (!best || found.start + found.change < best.start + best.change - EPSILON) best = { ...found, index }
  }
  return best
}

/** Puts it onto its bench; whoever comes after it gets the adapter changed again. */
function intoBench(benches: Served['benches'], index: number, one: OnBench, again: number): Served['benches'] {
  const bench = benches[index] ?? NO_BENCH
  const after = again > 0 ? bench.find((b) => b.from >= one.to - EPSILON && b.change === 0) : undefined
  const moved = after ? bench.map((b) => (b === after ? { ...b, from: b.from - again, change: again } : b)) : bench
  return Array.from({ length: Math.max(benches.length, index + 1) }, (_, i) =>
    i === index ? insert(moved, one) : (benches[i] ?? NO_BENCH),
  )
}

/** Into its place by the beginning; of equal ones behind. */
function insert<T extends Taken>(all: readonly T[], one: T): T[] {
  const more = all.slice()
  let i = more.length
  while (i > 0 && more[i - 1].from > one.from) i--
  more.splice(i, 0, one)
  return more
}
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
  let { people, places, benches, pieces } = served
  const blocks: Block[] = []
  let wait: Wait | null = tool.readyMin > 0 ? { ...(tool.readyWith ?? { for: 'part' }), minutes: tool.readyMin } : null
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
    const block = placeStep({ people, places, benches, pieces }, room, tool, step, at, tool.begun && i === 0)
    for (const w of block.waits) longer(w)
    const { fromMin, toMin, place } = block.block
    const taken = { from: fromMin, to: toMin, by: tool.id }
    if (NEEDS_PERSON[step.kind]) people = insert(people, taken)
    if (place === 'bench')
      benches = intoBench(benches, block.bench, { ...taken, coupling: tool.coupling, change: block.block.changeMin }, block.again)
    else if (place) places = { ...places, [place]: insert(places[place], taken) }
    blocks.push(block.block)
    at = toMin
  }
  if (ownPiece !== null)
    pieces = { ...pieces, [ownPiece]: insert(pieces[ownPiece] ?? NOTHING, { from: began, to: at, by: tool.id }) }
  return { served: { people, places, benches, pieces }, blocks, doneMin: at, wait }
}

function placeStep(served: Served, room: Room, tool: ToolToDo, step: Step, readyAt: number, begun: boolean) {
  const place = PLACE_OF[step.kind]
  const waits: Wait[] = []
  let change = 0
  let again = 0
  let bench = 0
  let at = readyAt
  // what is begun goes on at once, whatever else is wanted
  for (let round = 0; !begun && round < 1000; round++) {
    const from = at
    if (place === 'bench') {
      const found = soonestBench(served, room, tool.coupling, at, step.minutes)
      if (found && found.start > at + EPSILON)
        waits.push({
          for: 'place',
          place,
          behind: behindOf(served.benches[found.index] ?? NO_BENCH, at),
          minutes: found.start - readyAt,
        })
      if (found && found.change > 0) waits.push({ for: 'adapter', minutes: found.change })
      at = found?.start ?? Infinity
      change = found?.change ?? 0
      again = found?.again ?? 0
      bench = found?.index ?? 0
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
  return { block, waits, again, bench }
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
