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

/**
 * The best with no screw, with one, with two …; only those that leave less than fewer screws do. Exact over the holes given.
 * @returns at least one fit: without any screw
 */
function byCount(plane: ScrewPlane, holes: readonly number[]): readonly ScrewFit[] {
  const base = plane.massesG.length + 1
  const [one, two] = halvesOf(holes).map((half) => fillings(plane, half))
  const cells: (Cells | null)[] = one.map(({ x, y }) => (x.length ? intoCells(x, y) : null))
  const best: ScrewFit[] = [{ screws: [], residual: plane.need }]
  let least = absOf(plane.need)
  const most = Math.min(holes.length, plane.mostScrews ?? holes.length)
  for (let count = 1; count <= most; count++) {
    let found: ScrewFit | null = null
    // less than a millionth of what is there is no gain that a screw is worth
    let within = least * (1 - 1e-9)
    for (let a = Math.max(0, count - two.length + 1); a <= Math.min(count, one.length - 1); a++) {
      const there = cells[a]
      const half = two[count - a]
      if (!there) continue
      for (let i = 0; i < half.x.length; i++) {
        eachNear(there, -plane.need.re - half.x[i], -plane.need.im - half.y[i], within, (point, squared) => {
          const fit = together(plane, [...screwsOf(one[a], point, base), ...screwsOf(half, i, base)])
          if (fit) {
            found = fit
            within = Math.sqrt(squared)
          }
          return within
        })
      }
    }
    if (found) {
      best.push(found)
      least = within
    }
  }
  return best
}

/** The best `wanted` fillings that use different screws, least residual first. Exact over the holes given. */
function bestOf(plane: ScrewPlane, holes: readonly number[], wanted: number): readonly ScrewFit[] {
  const base = plane.massesG.length + 1
  const most = Math.min(holes.length, plane.mostScrews ?? holes.length)
  const [one, two] = halvesOf(holes).map((half) => fillings(plane, half))
  const found = new Map<string, { readonly fit: ScrewFit; readonly squared: number }>()
  let within = Infinity
  const take = (fit: ScrewFit, squared: number): number => {
    const key = usageOf(fit.screws)
    const before = found.get(key)
    if (before && before.squared <= squared) return within
    found.set(key, { fit, squared })
    if (found.size > wanted) {
      const [worst] = [...found].reduce((a, b) => (b[1].squared > a[1].squared ? b : a))
      found.delete(worst)
    }
    if (found.size === wanted) within = Math.sqrt(Math.max(...[...found.values()].map((f) => f.squared)))
    return within
  }
  for (let a = 0; a < one.length; a++) {
    if (one[a].x.length === 0) continue
    const cells = intoCells(one[a].x, one[a].y)
    for (let b = 0; b < two.length && a + b <= most; b++)
      for (let i = 0; i < two[b].x.length; i++)
        eachNear(cells, -plane.need.re - two[b].x[i], -plane.need.im - two[b].y[i], within, (point, squared) => {
          const fit = together(plane, [...screwsOf(one[a], point, base), ...screwsOf(two[b], i, base)])
          return fit ? take(fit, squared) : within
        })
  }
  return [...found.values()].sort((a, b) => a.squared - b.squared).map(({ fit }) => fit)
}

/** Which screws a fit takes from the drawer, whatever hole they go into. */
const usageOf = (screws: readonly ScrewIn[]) =>
  screws
    .map(({ mass }) => mass)
    .sort((a, b) => a - b)
    .join()

/** Holes that are worth looking at where all are too many: nearest to the light place, some with the heavy side for pairs. */
function fewerHoles(plane: ScrewPlane): readonly (readonly number[])[] {
  const all = plane.holes.map((_, i) => i)
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
        if (two && absOf(two.residual) < absOf(best.residual) * (1 - 1e-9)) {
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
  if (isExact(plane.holes.length, plane.massesG.length, plane.mostScrews))
    return byCount(
      plane,
      plane.holes.map((_, i) => i),
    )
  const tried = fewerHoles(plane).flatMap((holes) => byCount(plane, holes))
  const last = tried.reduce((a, b) => (absOf(b.residual) < absOf(a.residual) ? b : a))
  const fits: ScrewFit[] = []
  for (const fit of [...tried, polished(plane, last)].sort(
    (a, b) => a.screws.length - b.screws.length || absOf(a.residual) - absOf(b.residual),
  ))
    if (fits.length === 0 || absOf(fit.residual) < absOf(fits[fits.length - 1].residual)) fits.push(fit)
  return fits
}

/** A screw in each plane's holes, together: what is left, against what is permitted. */
export interface ScrewsTogether {
  readonly planes: readonly ScrewFit[]
  /** The largest residual / permitted of the planes. */
  readonly worst: number
  /** The same with what is not known of the screws themselves. */
  readonly expected: number
}

export interface ScrewAnswer {
  readonly best: ScrewsTogether
  /** At most three others: with fewer screws, or with other screws. */
  readonly others: readonly ScrewsTogether[]
  /** Whether all combinations of each plane were looked at. */
  readonly exact: boolean
}

/** Of fits that leave the same within a thousandth, the one with fewest screws. */
const SAME = 1.001
/** With a short drawer so many of each plane's best are put together. */
const KEPT_A_PLANE = 200
const OTHERS = 3

const countOf = (all: readonly ScrewFit[]) => all.reduce((sum, { screws }) => sum + screws.length, 0)

export interface ScrewOptions {
  readonly stock?: readonly number[]
  readonly equalBelow?: number
  readonly doubt?: (plane: number, screws: readonly ScrewIn[]) => number
}

/**
 * Screws for one or two planes: the least maximum over the planes of residual / permitted; within 0.1 % of it the fewest screws.
 * @param permitted g·mm a plane, above zero
 * @param stock of each mass, for all planes together; without it any number
 * @param equalBelow residual / permitted below which nobody can tell one fit from another (what the measurement does not know): as good
 * @param doubt what is not known of screws that are put in, g·mm: less of it is as good as less residual
 */
export function setScrews(
  planes: readonly ScrewPlane[],
  permitted: readonly number[],
  { stock, equalBelow = 0, doubt = () => 0 }: ScrewOptions = {},
): ScrewAnswer {
  const exact = planes.every((p) => isExact(p.holes.length, p.massesG.length, p.mostScrews))
  const lists = planes.map((plane) => screwFits({ ...plane, stock }))
  const ratio = (plane: number, fit: ScrewFit) => Math.hypot(absOf(fit.residual), doubt(plane, fit.screws)) / permitted[plane]
  const put = (fits: readonly ScrewFit[]): ScrewsTogether => ({
    planes: fits,
    worst: Math.max(...fits.map((fit, p) => absOf(fit.residual) / permitted[p])),
    expected: Math.max(...fits.map((fit, p) => ratio(p, fit))),
  })
  const holds = (t: ScrewsTogether) =>
    stock === undefined ||
    planes.length === 1 ||
    enough(
      stock,
      t.planes.map((f) => f.screws),
    )

  // what leaves at most so much, with fewest screws: every level that any fit reaches, least first
  const least = Math.max(...lists.map((list, p) => Math.min(...list.map((fit) => ratio(p, fit)))))
  const good = Math.max(least * SAME, equalBelow)
  const levels = lists.flatMap((list, p) => list.map((fit) => ratio(p, fit))).filter((level) => level > good)
  const steps = [...new Set([good, ...levels])]
    .sort((a, b) => a - b)
    .map((level) => put(lists.map((list, p) => list.find((fit) => ratio(p, fit) <= level)!)))
  const open = steps.filter(holds)
  const known =
    open.length > 0 && open[0] === steps[0]
      ? open
      : inTurn([...open, ...shortDrawer(planes, lists, stock, put)].filter(holds), equalBelow)
  const best = known[0]
  const fewer = known.filter((t, i) => i > 0 && countOf(t.planes) < countOf(known[i - 1].planes))
  const others = distinct([...fewer, ...otherScrews(planes, best, stock, put).filter(holds)], best)
  return { best, others: others.slice(0, OTHERS), exact }
}

const inTurn = (all: readonly ScrewsTogether[], equalBelow: number) => {
  const least = Math.min(...all.map((t) => t.expected))
  const level = (t: ScrewsTogether) => (t.expected <= Math.max(least * SAME, equalBelow) ? least : t.expected)
  return [...all].sort((a, b) => level(a) - level(b) || countOf(a.planes) - countOf(b.planes) || a.expected - b.expected)
}

/** Where both planes want the same last screw: each plane's best, put together as the drawer allows. */
function shortDrawer(
  planes: readonly ScrewPlane[],
  lists: readonly (readonly ScrewFit[])[],
  stock: readonly number[] | undefined,
  put: (fits: readonly ScrewFit[]) => ScrewsTogether,
): readonly ScrewsTogether[] {
  const [one, two] = planes.map((plane, p) => [
    ...lists[p],
    ...bestOf(
      { ...plane, stock },
      plane.holes.map((_, i) => i),
      KEPT_A_PLANE,
    ),
  ])
  return two ? one.flatMap((a) => two.map((b) => put([a, b]))) : one.map((a) => put([a]))
}

/** The same with other screws in the plane that is filled least well. */
function otherScrews(
  planes: readonly ScrewPlane[],
  best: ScrewsTogether,
  stock: readonly number[] | undefined,
  put: (fits: readonly ScrewFit[]) => ScrewsTogether,
): readonly ScrewsTogether[] {
  return planes
    .flatMap((plane, p) => {
      if (!isExact(plane.holes.length, plane.massesG.length, plane.mostScrews)) return []
      const holes = plane.holes.map((_, i) => i)
      return bestOf({ ...plane, stock }, holes, OTHERS + 1).map((fit) => put(best.planes.map((f, q) => (q === p ? fit : f))))
    })
    .sort((a, b) => a.worst - b.worst)
}

const nameOf = (t: ScrewsTogether) =>
  t.planes.map(({ screws }) => screws.map(({ hole, mass }) => `${hole}:${mass}`).join()).join('/')

function distinct(all: readonly ScrewsTogether[], best: ScrewsTogether): readonly ScrewsTogether[] {
  const known = new Set([nameOf(best)])
  return all.filter((t) => !known.has(nameOf(t)) && known.add(nameOf(t)))
}
