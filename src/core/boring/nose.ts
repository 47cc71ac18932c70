import { degToRad } from '../units'

/** How an insert lies in its pocket: edge angle KAPR and included angle EPSR, degrees. */
export interface Seat {
  readonly KAPR: number
  readonly EPSR: number
}

/**
 * By how much an insert of another nose radius cuts another diameter at the same place of the slide: 2·(r − nominal)·(1 − sin(κ + ε/2)/
 * sin(ε/2)), with both inserts on the same walls of their pocket. A larger nose cuts smaller, a smaller one larger. Geometry; angles by
 * ISO 3002-1. Holds for κ + ε up to 180°.
 * @returns mm on diameter
 */
export function noseShift({ KAPR, EPSR }: Seat, nominalMm: number, noseMm: number): number {
  const half = degToRad(EPSR) / 2
  return 2 * (noseMm - nominalMm) * (1 - Math.sin(degToRad(KAPR) + half) / Math.sin(half))
}
