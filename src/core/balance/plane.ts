import { absOf, argOf, polar, type Complex } from '../numeric'
import { degToRad, normDeg, radToDeg } from '../units'

/**
 * Angles of a tool: anticlockwise as seen from the cutting end towards the spindle, 0° at the holder's drive-key mark.
 * An unbalance is a complex number, g·mm; its direction is the heavy place.
 */
export interface Unbalance {
  readonly gmm: number
  readonly deg: number
}

export const vectorOf = (u: Unbalance): Complex => polar(u.gmm, degToRad(u.deg))
export const unbalanceOf = (v: Complex): Unbalance => ({ gmm: absOf(v), deg: normDeg(radToDeg(argOf(v))) })

/** Unbalances that stand in planes along the axis. */
export interface Spread {
  readonly zMm: readonly number[]
  readonly at: readonly Complex[]
}

/**
 * The same unbalance said for two other planes: force and moment stay what they are.
 * @returns one complex a plane of `toMm`; for a single plane only the force (the static unbalance)
 */
export function moved({ zMm, at }: Spread, toMm: readonly number[]): readonly Complex[] {
  const force = { re: 0, im: 0 }
  const moment = { re: 0, im: 0 }
  at.forEach((u, i) => {
    force.re += u.re
    force.im += u.im
    moment.re += u.re * zMm[i]
    moment.im += u.im * zMm[i]
  })
  if (toMm.length === 1) return [force]
  const [z0, z1] = toMm
  const part = (m: number, f: number) => (m - f * z0) / (z1 - z0)
  const second = { re: part(moment.re, force.re), im: part(moment.im, force.im) }
  return [{ re: force.re - second.re, im: force.im - second.im }, second]
}
