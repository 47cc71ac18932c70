/** Values of one picture or edge. */

/** A value in mm (angles in degrees) with one standard deviation. */
export interface Measured {
  readonly value: number
  readonly sigma: number
}

/** Part of each standard deviation that the model itself leaves open, px: formats ask at least 0.005. */
export const MODEL_SIGMA_PX = 0.015

export interface Values {
  /** Largest radius and greatest height, mm. */
  readonly x: Measured | null
  readonly z: Measured | null
  /** Corner or ball radius, mm. */
  readonly re: Measured | null
  /** Length of the arc that carries `re`, mm; 0 without one. */
  readonly arcMm: number
}
