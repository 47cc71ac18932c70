/** The way through the tool room: from unit to unit along free floor, and the order that walks least. */
import type { StoreUnit } from '../tool'

/** Cells of the shop's grid. */
export interface Floor {
  readonly width: number
  readonly height: number
  readonly units: readonly StoreUnit[]
}

/** Steps between any two of these units, by their index; walls of furniture are walked round. Infinity where no way leads. */
export function walkingDistances(floor: Floor, ids: readonly string[]): number[][] {
  const blocked = blockedCells(floor)
  const fronts = ids.map((id) => frontCells(floor, blocked, id))
  return fronts.map((front) => {
    const steps = flood(floor, blocked, front)
    return fronts.map((goal) => (goal === front ? 0 : Math.min(Infinity, ...goal.map((cell) => steps[cell]))))
  })
}

function blockedCells({ width, height, units }: Floor): Uint8Array {
  const blocked = new Uint8Array(width * height)
  for (const u of units)
    for (let y = Math.max(0, u.y); y < Math.min(height, u.y + u.h); y++)
      for (let x = Math.max(0, u.x); x < Math.min(width, u.x + u.w); x++) blocked[y * width + x] = 1
  return blocked
}

/** Free cells that touch a unit: where one stands to reach into it. */
function frontCells({ width, height, units }: Floor, blocked: Uint8Array, id: string): number[] {
  const u = units.find((unit) => unit.id === id)
  if (!u) return []
  const cells: number[] = []
  for (let y = u.y - 1; y <= u.y + u.h; y++)
    for (let x = u.x - 1; x <= u.x + u.w; x++) {
      const corner = (x === u.x - 1 || x === u.x + u.w) && (y === u.y - 1 || y === u.y + u.h)
      if (corner || x < 0 || y < 0 || x >= width || y >= height || blocked[y * width + x]) continue
      cells.push(y * width + x)
    }
  return cells
}

function flood({ width, height }: Floor, blocked: Uint8Array, from: readonly number[]): Float64Array {
  return floodFrom(width, height, blocked, from).steps
}

/** Steps from the nearest start to every free cell, and the cell before it on the way (−1 at a start). */
function floodFrom(width: number, height: number, blocked: Uint8Array, from: readonly number[]) {
  const steps = new Float64Array(width * height).fill(Infinity)
  const before = new Int32Array(width * height).fill(-1)
  const queue = [...from]
  for (const cell of from) steps[cell] = 0
  for (let i = 0; i < queue.length; i++) {
    const cell = queue[i]
    const x = cell % width
    for (const [dx, dy] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const nx = x + dx
      const next = cell + dx + dy * width
      if (nx < 0 || nx >= width || next < 0 || next >= steps.length || blocked[next] || steps[next] !== Infinity) continue
      steps[next] = steps[cell] + 1
      before[next] = cell
      queue.push(next)
    }
  }
  return { steps, before }
}

/**
 * The way itself: from unit to unit, cell by cell round the furniture.
 * @param stops units in the order of walking
 * @returns middles of cells; legs that lead nowhere are left out
 */
export function walkingPath(floor: Floor, stops: readonly string[]): (readonly [number, number])[] {
  const { width, height } = floor
  const blocked = blockedCells(floor)
  const fronts = stops.map((id) => frontCells(floor, blocked, id))
  const path: number[] = []
  let here: readonly number[] = fronts[0] ?? []
  for (const goal of fronts.slice(1)) {
    const { steps, before } = floodFrom(width, height, blocked, here)
    const end = goal.reduce((best, cell) => (best < 0 || steps[cell] < steps[best] ? cell : best), -1)
    if (end < 0 || steps[end] === Infinity) continue
    const leg: number[] = []
    for (let cell = end; cell >= 0; cell = before[cell]) leg.push(cell)
    path.push(...leg.reverse())
    here = [end]
  }
  return path.map((cell) => [(cell % width) + 0.5, Math.floor(cell / width) + 0.5] as const)
}

/** Up to here the best round is searched exactly (Held & Karp 1962). */
const EXACT_UP_TO = 9

/**
 * A short round through all points, starting and ending at `start`.
 * @param distances square, symmetric; Infinity is walked last
 * @returns indices in walking order, `start` left out
 */
export function shortRound(distances: readonly (readonly number[])[], start: number): number[] {
  const stops = distances.map((_, i) => i).filter((i) => i !== start)
  const far = (a: number, b: number) => Math.min(distances[a][b], 1e9)
  return stops.length <= EXACT_UP_TO ? exactRound(stops, start, far) : improve(nearestFirst(stops, start, far), start, far)
}

export const roundLength = (distances: readonly (readonly number[])[], start: number, order: readonly number[]): number =>
  [...order, start].reduce((sum, stop, i) => sum + distances[i === 0 ? start : order[i - 1]][stop], 0)

type Far = (a: number, b: number) => number

function exactRound(stops: readonly number[], start: number, far: Far): number[] {
  const n = stops.length
  if (n === 0) return []
  const full = (1 << n) - 1
  const cost = Array.from({ length: 1 << n }, () => new Float64Array(n).fill(Infinity))
  const from = Array.from({ length: 1 << n }, () => new Int8Array(n).fill(-1))
  stops.forEach((stop, i) => (cost[1 << i][i] = far(start, stop)))
  for (let set = 1; set <= full; set++)
    for (let last = 0; last < n; last++) {
      if (!(set & (1 << last)) || cost[set][last] === Infinity) continue
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue
        const there = cost[set][last] + far(stops[last], stops[next])
        const grown = set | (1 << next)
        if (there < cost[grown][next]) {
          cost[grown][next] = there
          from[grown][next] = last
        }
      }
    }
  let last = 0
  for (let i = 1; i < n; i++) if (cost[full][i] + far(stops[i], start) < cost[full][last] + far(stops[last], start)) last = i
  const order: number[] = []
  for (let set = full; last >= 0;) {
    order.push(stops[last])
    const before = from[set][last]
    set &= ~(1 << last)
    last = before
  }
  return order.reverse()
}

function nearestFirst(stops: readonly number[], start: number, far: Far): number[] {
  const left = new Set(stops)
  const order: number[] = []
  for (let here = start; left.size;) {
    let best = -1
    for (const stop of left) if (best < 0 || far(here, stop) < far(here, best)) best = stop
    left.delete(best)
    order.push(best)
    here = best
  }
  return order
}

/** Turns pieces of the round about (2-opt) until none helps (Croes 1958). */
function improve(order: number[], start: number, far: Far): number[] {
  const round = [start, ...order, start]
  for (let better = true; better;) {
    better = false
    for (let i = 1; i < round.length - 2; i++)
      for (let k = i + 1; k < round.length - 1; k++) {
        const now = far(round[i - 1], round[i]) + far(round[k], round[k + 1])
        const then = far(round[i - 1], round[k]) + far(round[i], round[k + 1])
        if (then < now - 1e-9) {
          for (let a = i, b = k; a < b; a++, b--) [round[a], round[b]] = [round[b], round[a]]
          better = true
        }
      }
  }
  return round.slice(1, -1)
}
