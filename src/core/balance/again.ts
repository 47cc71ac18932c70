import { minus, ZERO, type Complex } from '../numeric'
import { residualOf, type ScrewHole, type ScrewIn } from './screws'
import { setScrews, type ScrewsTogether } from './screws-together'

/** A plane as it is: what was measured with the screws that are in. */
export interface FilledPlane {
  readonly need: Complex
  readonly holes: readonly ScrewHole[]
  readonly filled: readonly ScrewIn[]
}

export interface Drawer {
  readonly massesG: readonly number[]
  /** How many of each are in the drawer, without those that are in the tool. */
  readonly stock: readonly number[]
}

/** What to do with one plane's screws. */
export interface ScrewChange {
  readonly out: readonly ScrewIn[]
  readonly in: readonly ScrewIn[]
  readonly residual: Complex
}

export interface ScrewPlan {
  readonly planes: readonly ScrewChange[]
  /** The largest residual / permitted of the planes. */
  readonly worst: number
}

export interface ScrewChoice {
  readonly best: ScrewPlan
  readonly others: readonly ScrewPlan[]
  readonly exact: boolean
}

/** How well a screw's weight and place are known: standard deviation, as a share of what it pulls (common practice, no source). */
const SCREW_SHARE = 0.006
/** A fit that only adds is taken as long as no more than this of what is permitted is to be expected: fewer screws are touched. */
const WELL_WITHIN = 0.7
const OTHERS = 3

/** What is not known of screws that are put in or taken out, g·mm. */
const doubtOf = (holes: readonly ScrewHole[], massesG: readonly number[], screws: readonly ScrewIn[]): number =>
  SCREW_SHARE * Math.hypot(...screws.map(({ hole, mass }) => massesG[mass] * holes[hole].radiusMm))
const same = (a: ScrewIn) => (b: ScrewIn) => a.hole === b.hole && a.mass === b.mass

/**
 * Screws for a tool that may have some already. A screw that stays is known as it really is: the measurement has it in. So what only adds is
 * held against what is chosen anew, with the doubt of every screw that is touched.
 * @param permitted g·mm a plane
 * @param equalBelow residual / permitted below which fits are as good as each other
 */
export function chooseScrews(
  planes: readonly FilledPlane[],
  { massesG, stock }: Drawer,
  permitted: readonly number[],
  equalBelow = 0,
): ScrewChoice {
  const free = planes.map(({ holes, filled }) => holes.filter((_, i) => !filled.some((s) => s.hole === i)))
  const added = setScrews(
    planes.map(({ need }, p) => ({ need, holes: free[p], massesG })),
    permitted,
    { stock, equalBelow, others: OTHERS, doubt: (p, screws) => doubtOf(free[p], massesG, screws) },
  )
  const adding = [added.best, ...added.others].map((t) => addedPlan(planes, t))
  if (planes.every(({ filled }) => filled.length === 0)) return { best: adding[0], others: adding.slice(1), exact: added.exact }
  const back = massesG.map((_, m) => planes.reduce((n, { filled }) => n + filled.filter((s) => s.mass === m).length, 0))
  const anew = setScrews(
    planes.map(({ need, holes, filled }) => ({
      need: minus(need, residualOf({ need: ZERO, holes, massesG }, filled)),
      holes,
      massesG,
    })),
    permitted,
    {
      stock: stock.map((n, m) => n + back[m]),
      equalBelow,
      others: OTHERS,
      doubt: (p, screws) => {
        const { holes, filled } = planes[p]
        const touched = [...filled.filter((s) => !screws.some(same(s))), ...screws.filter((s) => !filled.some(same(s)))]
        return doubtOf(holes, massesG, touched)
      },
    },
  )
  const changed = [anew.best, ...anew.others].map((t) => changedPlan(planes, t))
  const [first, rest] = added.best.expected <= Math.max(WELL_WITHIN, anew.best.expected) ? [adding, changed] : [changed, adding]
  return {
    best: first[0],
    others: [rest[0], ...first.slice(1), ...rest.slice(1)].slice(0, OTHERS),
    exact: added.exact && anew.exact,
  }
}

/** Free holes are counted without those that are filled: back to the plane's own count. */
function addedPlan(planes: readonly FilledPlane[], { planes: fits, worst }: ScrewsTogether): ScrewPlan {
  return {
    worst,
    planes: fits.map(({ screws, residual }, p) => {
      const free = planes[p].holes.map((_, i) => i).filter((i) => !planes[p].filled.some((s) => s.hole === i))
      return { out: [], in: screws.map(({ hole, mass }) => ({ hole: free[hole], mass })), residual }
    }),
  }
}

/** What is already right stays in. */
function changedPlan(planes: readonly FilledPlane[], { planes: fits, worst }: ScrewsTogether): ScrewPlan {
  return {
    worst,
    planes: fits.map(({ screws, residual }, p) => ({
      out: planes[p].filled.filter((s) => !screws.some(same(s))),
      in: screws.filter((s) => !planes[p].filled.some(same(s))),
      residual,
    })),
  }
}
