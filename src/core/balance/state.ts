import { absOf, sumOf, type Complex } from '../numeric'
import { normDeg } from '../units'
import { forceN, offsetUm, permittedGmm, sharesOf } from './grade'
import { moved, unbalanceOf, type Spread, type Unbalance } from './plane'

/** What a tool is balanced for. */
export interface BalanceWanted {
  readonly grade: number
  readonly rpm: number
}

/** How a tool stands against what is wanted of it. */
export interface Standing {
  /** Planes that were judged, along the axis, with what is there and what is permitted. */
  readonly planes: readonly {
    readonly zMm: number
    readonly unbalance: Unbalance
    readonly permittedGmm: number
  }[]
  /** The grade that the worst plane comes to at the wanted speed. */
  readonly grade: number
  /** Up to this speed it keeps the wanted grade. */
  readonly goodToRpm: number
  /** The whole, as one unbalance: g·mm, the force at the wanted speed in N, and how far off the axis the mass centre is, µm. */
  readonly staticGmm: Unbalance
  /** What is left when the static part is taken off at the mass centre: g·mm²; null where the centre or a second plane is not known. */
  readonly coupleGmm2: number | null
  readonly forceN: number
  readonly offsetUm: number
}

/** @param toMm the planes in which it is judged, and corrected */
export function standingOf(
  spread: Spread,
  toMm: readonly number[],
  tool: { readonly massKg: number; readonly cgZMm: number | null },
  { grade, rpm }: BalanceWanted,
): Standing {
  const at = moved(spread, toMm)
  return { ...standingIn(at, toMm, tool, { grade, rpm }), coupleGmm2: coupleOf(spread, tool.cgZMm) }
}

/** Moment of the unbalance about the mass centre, g·mm² (ISO 21940-2: couple unbalance). */
function coupleOf({ zMm, at }: Spread, cgZMm: number | null): number | null {
  if (cgZMm === null || at.length < 2) return null
  return absOf(sumOf(at.map(({ re, im }, p) => ({ re: re * (zMm[p] - cgZMm), im: im * (zMm[p] - cgZMm) }))))
}

/** The same for what is known in its planes already. */
export function standingIn(
  at: readonly Complex[],
  zMm: readonly number[],
  { massKg, cgZMm }: { readonly massKg: number; readonly cgZMm: number | null },
  { grade, rpm }: BalanceWanted,
): Standing {
  const whole = permittedGmm(grade, massKg, rpm)
  const planes = sharesOf(zMm, cgZMm).map((share, p) => ({
    zMm: zMm[p],
    unbalance: unbalanceOf(at[p]),
    permittedGmm: share * whole,
  }))
  const worst = Math.max(...planes.map(({ unbalance, permittedGmm: permitted }) => unbalance.gmm / permitted))
  const [all] = moved({ zMm, at }, [0])
  return {
    planes,
    grade: grade * worst,
    goodToRpm: worst > 0 ? rpm / worst : Infinity,
    staticGmm: unbalanceOf(all),
    coupleGmm2: coupleOf({ zMm, at }, cgZMm),
    forceN: forceN(absOf(all), rpm),
    offsetUm: offsetUm(absOf(all), massKg),
  }
}

export const isGood = (standing: Standing, wanted: BalanceWanted): boolean => standing.grade <= wanted.grade * (1 + 1e-9)

/** How far the spindle is to be turned on, the shorter way: positive is anticlockwise. */
export function toGoDeg(fromDeg: number, toDeg: number): number {
  const turn = normDeg(toDeg - fromDeg)
  return turn > 180 ? turn - 360 : turn
}
