import { absOf, plus, polar, type Complex } from '../numeric'
import { degToRad } from '../units'
import { eachNear, intoCells, type Cells } from './near'

/**
 * Screws of given masses in threaded holes, one a hole, so that least is left. Two lists of all that half of the holes can do are made,
 * and for each of one list the other's nearest counterpart is looked up: all (masses + 1)^holes are looked at, in a thousandth of the time.
 */
export interface ScrewHole {
  readonly deg: number
  readonly radiusMm: number
}

/** @property mass by its place in the list of masses; `hole` by its place in the plane's holes */
export interface ScrewIn {
  readonly hole: number
  readonly mass: number
}

export interface ScrewFit {
  readonly screws: readonly ScrewIn[]
  /** What is left, g·mm. */
  readonly residual: Complex
}

export interface ScrewPlane {
  /** The heavy place, g·mm. */
  readonly need: Complex
  readonly holes: readonly ScrewHole[]
  readonly massesG: readonly number[]
  /** How many of each mass there are; without it any number. */
  readonly stock?: readonly number[]
  readonly mostScrews?: number
}

/** So many combinations of a plane are all looked at; beyond, the best are looked for. */
export const ALL_LOOKED_AT = 13 ** 8

/** Whether every combination of a plane is looked at. */
export const isExact = (holes: number, masses: number, mostScrews = holes): boolean =>
  combinations(holes, masses, mostScrews) <= ALL_LOOKED_AT

function combinations(holes: number, masses: number, most: number): number {
  let sum = 1
  let ways = 1
  for (let k = 1; k <= Math.min(holes, most); k++) {
    ways = Math.round((ways * (holes - k + 1) * masses) / k)
    sum += ways
  }
  return sum
}

/** What some of the holes can do with a number of screws: one entry a way of filling them. */
interface Half {
  readonly holes: readonly number[]
  readonly x: Float64Array
  readonly y: Float64Array
  /** Filling, as digits to the base masses + 1, first hole first; 0 is an empty hole. */
  readonly code: Float64Array
}

/** All fillings of some holes, by their number of screws. */
function fillings(plane: ScrewPlane, holes: readonly number[]): readonly Half[] {
  const { massesG, stock } = plane
  const most = Math.min(holes.length, plane.mostScrews ?? holes.length)
  const found = Array.from({ length: most + 1 }, () => ({ x: [] as number[], y: [] as number[], code: [] as number[] }))
  const used = massesG.map(() => 0)
  const base = massesG.length + 1
  const fill = (at: number, count: number, x: number, y: number, code: number) => {
    if (at === holes.length) {
      found[count].x.push(x)
      found[count].y.push(y)
      found[count].code.push(code)
      return
    }
    fill(at + 1, count, x, y, code * base)
    if (count === most) return
    const { deg, radiusMm } = plane.holes[holes[at]]
    const way = polar(radiusMm, degToRad(deg))
    for (let m = 0; m < massesG.length; m++) {
      if (stock && used[m] >= stock[m]) continue
      used[m]++
      fill(at + 1, count + 1, x + way.re * massesG[m], y + way.im * massesG[m], code * base + m + 1)
      used[m]--
    }
  }
  fill(0, 0, 0, 0, 0)
  return found.map(({ x, y, code }) => ({
    holes,
    x: Float64Array.from(x),
    y: Float64Array.from(y),
    code: Float64Array.from(code),
  }))
}

function screwsOf(half: Half, entry: number, base: number): ScrewIn[] {
  const screws: ScrewIn[] = []
  let rest = half.code[entry]
  for (let at = half.holes.length - 1; at >= 0; at--) {
    const digit = rest % base
    if (digit > 0) screws.unshift({ hole: half.holes[at], mass: digit - 1 })
    rest = Math.floor(rest / base)
  }
  return screws
}

/** Holes taken in turn into two lists, so that each list reaches all round. */
const halvesOf = (holes: readonly number[]) => [holes.filter((_, i) => i % 2 === 0), holes.filter((_, i) => i % 2 === 1)] as const

/** Two fillings together; `null` where the drawer has not enough for both. */
function together(plane: ScrewPlane, screws: readonly ScrewIn[]): ScrewFit | null {
  if (plane.stock && !enough(plane.stock, [screws])) return null
  return { screws: [...screws].sort((a, b) => a.hole - b.hole), residual: residualOf(plane, screws) }
}

export function enough(stock: readonly number[], used: readonly (readonly ScrewIn[])[]): boolean {
  const left = [...stock]
  return used.every((screws) => screws.every(({ mass }) => --left[mass] >= 0))
}

/** What is left with these screws in, g·mm. */
export const residualOf = ({ need, holes, massesG }: ScrewPlane, screws: readonly ScrewIn[]): Complex =>
  screws.reduce((sum, { hole, mass }) => plus(sum, polar(massesG[mass] * holes[hole].radiusMm, degToRad(holes[hole].deg))), need)

/** What both halves of some holes can do, ready to be looked through. */
interface Halves {
  readonly plane: ScrewPlane
  readonly most: number
  readonly one: readonly Half[]
  readonly two: readonly Half[]
  readonly cells: readonly (Cells | null)[]
}

function halvesFor(plane: ScrewPlane, holes: readonly number[]): Halves {
  const [one, two] = halvesOf(holes).map((half) => fillings(plane, half))
  const cells = one.map(({ x, y }) => (x.length ? intoCells(x, y) : null))
  return { plane, most: Math.min(holes.length, plane.mostScrews ?? holes.length), one, two, cells }
}

/**
 * Every pair of fillings with `from` to `to` screws that leaves less than `bound`, which `take` makes smaller as it finds better ones.
 * @returns the bound that is left
 */
function look(
  { plane, one, two, cells }: Halves,
  [from, to]: readonly [number, number],
  bound: number,
  take: (fit: ScrewFit, leftGmm: number) => number,
): number {
  const base = plane.massesG.length + 1
  let within = bound
  for (const [a, there] of cells.entries()) {
    for (let b = Math.max(0, from - a); there && b < two.length && a + b <= to; b++) {
      const half = two[b]
      for (let i = 0; i < half.x.length; i++)
        eachNear(there, -plane.need.re - half.x[i], -plane.need.im - half.y[i], within, (point, squared) => {
          const fit = together(plane, [...screwsOf(one[a], point, base), ...screwsOf(half, i, base)])
          return (within = fit ? take(fit, Math.sqrt(squared)) : within)
        })
    }
  }
  return within
}

/** A screw is worth putting in where it leaves less by more than rounding does. */
const LESS = 1 - 1e-9

/**
 * The best with no screw, with one, with two …; only those that leave less than fewer screws do. Exact over the holes given.
 * @returns at least one fit: without any screw
 */
function byCount(plane: ScrewPlane, holes: readonly number[]): readonly ScrewFit[] {
  const halves = halvesFor(plane, holes)
  const best: ScrewFit[] = [{ screws: [], residual: plane.need }]
  let least = absOf(plane.need)
  for (let count = 1; count <= halves.most; count++) {
    let found: ScrewFit | null = null
    const left = look(halves, [count, count], least * LESS, (fit, leftGmm) => {
      found = fit
      return leftGmm
    })
    if (!found) continue
    best.push(found)
    least = left
  }
  return best
}

/** The best `wanted` fillings that use different screws, least residual first. Exact over the holes given. */
export function bestOf(plane: ScrewPlane, wanted: number): readonly ScrewFit[] {
  const halves = halvesFor(plane, allOf(plane))
  const found = new Map<string, { readonly fit: ScrewFit; readonly leftGmm: number }>()
  let within = Infinity
  look(halves, [0, halves.most], within, (fit, leftGmm) => {
    const key = usageOf(fit.screws)
    if ((found.get(key)?.leftGmm ?? Infinity) <= leftGmm) return within
    found.set(key, { fit, leftGmm })
    if (found.size > wanted) found.delete([...found].reduce((a, b) => (b[1].leftGmm > a[1].leftGmm ? b : a))[0])
    if (found.size === wanted) within = Math.max(...[...found.values()].map((f) => f.leftGmm))
    return within
  })
  return [...found.values()].sort((a, b) => a.leftGmm - b.leftGmm).map(({ fit }) => fit)
}

const allOf = ({ holes }: ScrewPlane) => holes.map((_, i) => i)

/** Which screws a fit takes from the drawer, whatever hole they go into. */
const usageOf = (screws: readonly ScrewIn[]) =>
  screws
    .map(({ mass }) => mass)
    .sort((a, b) => a - b)
    .join()

/** Holes that are worth looking at where all are too many: nearest to the light place, some with the heavy side for pairs. */
function fewerHoles(plane: ScrewPlane): readonly (readonly number[])[] {
  const all = allOf(plane)
  let size = all.length
  while (size > 1 && !isExact(size, plane.massesG.length, plane.mostScrews)) size--
  const cosine = (hole: number) => {
    const way = polar(1, degToRad(plane.holes[hole].deg))
    return way.re * plane.need.re + way.im * plane.need.im
  }
  const light = [...all].sort((a, b) => cosine(a) - cosine(b))
  const against = Math.floor(size / 4)
  return [
    light.slice(0, size),
    [...light.slice(0, size - against), ...light.slice(light.length - against)],
    Array.from({ length: size }, (_, i) => Math.floor((i * all.length) / size)),
  ]
}

/** Two holes at a time are filled anew for as long as that leaves less. */
function polished(plane: ScrewPlane, fit: ScrewFit): ScrewFit {
  const most = plane.mostScrews ?? plane.holes.length
  let best = fit
  for (let better = true; better;) {
    better = false
    for (let a = 0; a < plane.holes.length; a++)
      for (let b = a + 1; b < plane.holes.length; b++) {
        const kept = best.screws.filter(({ hole }) => hole !== a && hole !== b)
        const rest = { ...plane, need: residualOf(plane, kept), mostScrews: most - kept.length }
        const stock = plane.stock?.map((n, mass) => n - kept.filter((s) => s.mass === mass).length)
        const two = byCount({ ...rest, stock }, [a, b]).at(-1)
        if (two && absOf(two.residual) < absOf(best.residual) * LESS) {
          const screws = [...kept, ...two.screws].sort((p, q) => p.hole - q.hole)
          best = { screws, residual: residualOf(plane, screws) }
          better = true
        }
      }
  }
  return best
}

/**
 * The best with no screw, with one, with two …: each leaves less than the one before it.
 * @returns at least one fit: without any screw
 */
export function screwFits(plane: ScrewPlane): readonly ScrewFit[] {
  if (isExact(plane.holes.length, plane.massesG.length, plane.mostScrews)) return byCount(plane, allOf(plane))
  const tried = fewerHoles(plane).flatMap((holes) => byCount(plane, holes))
  const last = tried.reduce((a, b) => (absOf(b.residual) < absOf(a.residual) ? b : a))
  const fits: ScrewFit[] = []
  for (const fit of [...tried, polished(plane, last)].sort(
    (a, b) => a.screws.length - b.screws.length || absOf(a.residual) - absOf(b.residual),
  ))
    if (fits.length === 0 || absOf(fit.residual) < absOf(fits[fits.length - 1].residual)) fits.push(fit)
  return fits
}
