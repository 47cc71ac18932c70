import { absOf } from '../numeric'
import { bestOf, enough, isExact, screwFits, type ScrewFit, type ScrewIn, type ScrewPlane } from './screws'

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
  /** Others, as many as were asked for: with fewer screws, or with other screws. */
  readonly others: readonly ScrewsTogether[]
  /** Whether all combinations of each plane were looked at. */
  readonly exact: boolean
}

/** Of fits that leave the same within a thousandth, the one with fewest screws. */
const SAME = 1.001
/** With a short drawer so many of each plane's best are put together. */
const KEPT_A_PLANE = 200

const countOf = (all: readonly ScrewFit[]) => all.reduce((sum, { screws }) => sum + screws.length, 0)

export interface ScrewOptions {
  /** Of each mass, for all planes together; without it any number. */
  readonly stock?: readonly number[]
  /** Residual / permitted below which nobody can tell one fit from another (what the measurement does not know): as good. */
  readonly equalBelow?: number
  /** What is not known of screws that are put in, g·mm: less of it is as good as less residual. */
  readonly doubt?: (plane: number, screws: readonly ScrewIn[]) => number
  /** How many other ways are wanted beside the best. */
  readonly others?: number
}

/**
 * Screws for one or two planes: the least maximum over the planes of residual / permitted; within 0.1 % of it the fewest screws.
 * @param permitted g·mm a plane, above zero
 */
export function setScrews(
  planes: readonly ScrewPlane[],
  permitted: readonly number[],
  { stock, equalBelow = 0, doubt = () => 0, others: wanted = 0 }: ScrewOptions = {},
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
  if (wanted === 0) return { best, others: [], exact }
  const fewer = known.filter((t, i) => i > 0 && countOf(t.planes) < countOf(known[i - 1].planes))
  const others = distinct([...fewer, ...otherScrews(planes, best, stock, wanted, put).filter(holds)], best)
  return { best, others: others.slice(0, wanted), exact }
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
  const [one, two] = planes.map((plane, p) => [...lists[p], ...bestOf({ ...plane, stock }, KEPT_A_PLANE)])
  return two ? one.flatMap((a) => two.map((b) => put([a, b]))) : one.map((a) => put([a]))
}

/** The same with other screws in one of the planes. */
function otherScrews(
  planes: readonly ScrewPlane[],
  best: ScrewsTogether,
  stock: readonly number[] | undefined,
  wanted: number,
  put: (fits: readonly ScrewFit[]) => ScrewsTogether,
): readonly ScrewsTogether[] {
  return planes
    .flatMap((plane, p) => {
      if (!isExact(plane.holes.length, plane.massesG.length, plane.mostScrews)) return []
      return bestOf({ ...plane, stock }, wanted + 1).map((fit) => put(best.planes.map((f, q) => (q === p ? fit : f))))
    })
    .sort((a, b) => a.worst - b.worst)
}

const nameOf = (t: ScrewsTogether) =>
  t.planes.map(({ screws }) => screws.map(({ hole, mass }) => `${hole}:${mass}`).join()).join('/')

function distinct(all: readonly ScrewsTogether[], best: ScrewsTogether): readonly ScrewsTogether[] {
  const known = new Set([nameOf(best)])
  return all.filter((t) => !known.has(nameOf(t)) && known.add(nameOf(t)))
}
