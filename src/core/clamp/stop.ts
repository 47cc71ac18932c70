/** How high above the wanted length the stop is set: computed at first, learned from what the holder type did later. */

export interface StopLesson {
  readonly shankMm: number
  readonly stopSetMm: number
  readonly measuredMm: number
}

export interface StopSetting {
  readonly highMm: number
  /** Builds it rests on; 0 when it is computed. */
  readonly builds: number
  /** Greatest less least of what those builds did, mm; null when computed. */
  readonly spreadMm: number | null
}

/** So few builds say nothing yet. Common practice, no source. */
const LEAST_BUILDS = 3
const NEWEST = 10

/**
 * @param computedMm share of L·α·ΔT from the set-up
 * @param lessons of this holder type, newest first; those of another shank size are left out
 */
export function stopSetting(computedMm: number, shankMm: number, lessons: readonly StopLesson[]): StopSetting {
  const did = lessons
    .filter((l) => Math.abs(l.shankMm - shankMm) < 0.05)
    .slice(0, NEWEST)
    .map((l) => l.stopSetMm - l.measuredMm)
  if (did.length < LEAST_BUILDS) return { highMm: computedMm, builds: 0, spreadMm: null }
  return {
    highMm: did.reduce((sum, x) => sum + x, 0) / did.length,
    builds: did.length,
    spreadMm: Math.max(...did) - Math.min(...did),
  }
}
