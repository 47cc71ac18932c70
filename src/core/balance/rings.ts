import { absOf, argOf, plus, polar, type Complex } from '../numeric'
import { normDeg, radToDeg } from '../units'

/** Where two rings of known unbalance are turned to: the heavy place of each, degrees. */
export interface RingFit {
  readonly deg: readonly [number, number]
  readonly residual: Complex
}

/**
 * Two rings of a plane, turned so that together they stand against the heavy place: the two sides of a triangle over it, and its mirror
 * image. Rings that are too weak both stand opposite; where their difference is too strong they stand against each other.
 * @param need the heavy place, g·mm
 * @param gmm unbalance of each ring, above zero
 * @returns the fit, and its mirror image where there is one
 */
export function setRings(need: Complex, gmm: readonly [number, number]): readonly RingFit[] {
  const [u1, u2] = gmm
  const against = argOf({ re: -need.re, im: -need.im })
  const sum = Math.min(u1 + u2, Math.max(Math.abs(u1 - u2), absOf(need)))
  // law of cosines at the corner between the sum and each ring; a sum of nothing is made by two equal rings, square to the mark
  const corner = (own: number, other: number) =>
    sum === 0 ? Math.PI / 2 : Math.acos(Math.min(1, Math.max(-1, (sum * sum + own * own - other * other) / (2 * sum * own))))
  const a1 = corner(u1, u2)
  const a2 = corner(u2, u1)
  const put = (side: number): RingFit => {
    const one = against + side * a1
    const two = against - side * a2
    const residual = plus(need, plus(polar(u1, one), polar(u2, two)))
    return { deg: [normDeg(radToDeg(one)), normDeg(radToDeg(two))], residual }
  }
  const alone = (a1 < 1e-9 || Math.abs(a1 - Math.PI) < 1e-9) && (a2 < 1e-9 || Math.abs(a2 - Math.PI) < 1e-9)
  return alone ? [put(1)] : [put(1), put(-1)]
}
