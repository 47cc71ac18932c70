/** Type-1 study of a bench: one tool measured again and again by the same hands. */

export interface Type1 {
  readonly n: number
  readonly meanMm: number
  /** Standard deviation, mm. */
  readonly sMm: number
  readonly biasMm: number
  /** 0.2·T/(6·s) and (0.1·T − |bias|)/(3·s): the usual form (common; other shares and multiples are in use). */
  readonly Cg: number
  readonly Cgk: number
}

/** At least this is asked of both: common practice, no source. */
export const LEAST_CG = 1.33

/**
 * @param readings mm, at least two
 * @param referenceMm the calibrated value
 * @param toleranceMm width of the tolerance the bench has to judge
 * @returns null with fewer than two readings, or without any scatter
 */
export function type1Study(readings: readonly number[], referenceMm: number, toleranceMm: number): Type1 | null {
  const n = readings.length
  if (n < 2) return null
  const meanMm = readings.reduce((a, b) => a + b, 0) / n
  // two passes: a sum of squares less the square of a sum loses every digit where values are long and close
  const sMm = Math.sqrt(readings.reduce((sum, x) => sum + (x - meanMm) ** 2, 0) / (n - 1))
  if (!(sMm > 0)) return null
  const biasMm = meanMm - referenceMm
  return {
    n,
    meanMm,
    sMm,
    biasMm,
    Cg: (0.2 * toleranceMm) / (6 * sMm),
    Cgk: (0.1 * toleranceMm - Math.abs(biasMm)) / (3 * sMm),
  }
}
