/** A tool leaves the picture at the bottom; where it still widens there, its widest place is out of sight. */
import { fitLine } from '../geometry'
import { robustSigma, tukeyWeight } from '../numeric'
import { degToRad } from '../units'
import type { OutlinePoint, View } from './view'

/** Share of the picture's rows that is looked at, from the bottom up. */
const LOWEST_SHARE = 0.1
/** An outline that widens by less than this, or by less than three standard deviations, is upright. */
const LEAST_RAD = degToRad(0.2)
const SIGMAS = 3
/** Neighbouring points share pixels: their scatter says less than what it is, as for every straight side. */
const SHARED = 1.5
const LEAST_POINTS = 8
/** Rounds of weighting: chips near the border pull less each time. */
const ROUNDS = 6
const LEAST_SCATTER_PX = 0.01

/**
 * Whether the outline over the lowest tenth of the rows widens downwards.
 * @param points of the outline, mm from the middle of the picture
 */
export function widensBelow(points: readonly OutlinePoint[], view: View): boolean {
  const bottom = (-view.height / 2) * view.mmPerPixel.z
  const low = points.filter((p) => p.nx > 0 && p.z < bottom + LOWEST_SHARE * view.height * view.mmPerPixel.z)
  if (low.length < LEAST_POINTS) return false
  let fit = fitLine(low)
  for (let round = 0; fit && round < ROUNDS; round++) {
    const { normal, offset } = fit.line
    const out = low.map((p) => normal.x * p.x + normal.z * p.z - offset)
    const sigma = Math.max(robustSigma(out), LEAST_SCATTER_PX * view.mmPerPixel.x)
    fit =
      fitLine(
        low,
        out.map((o) => tukeyWeight(o, sigma)),
      ) ?? fit
  }
  if (!fit) return false
  // turned so that its normal points to the right: below zero it looks down, above it up
  const { normal } = fit.line
  const lean = Math.atan2(normal.x < 0 ? -normal.z : normal.z, Math.abs(normal.x))
  return lean > Math.max(LEAST_RAD, SIGMAS * SHARED * fit.sigmaAngle)
}
