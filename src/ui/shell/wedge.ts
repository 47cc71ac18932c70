/** Tells a keyboard-wedge scanner from a person: quick keys, then Enter. Times come with the keys. */

/** Keys of most scanners come faster than this. */
export const SCAN_GAP_MS = 35
/** A scanner that was set up may be as slow as this. */
export const SLOWEST_GAP_MS = 150
/** Single keys act only after this much quiet before and after them, so that a scan can never be taken for one. */
export const QUIET_MS = 150
const LEAST_SCAN = 3
const HELD_KEYS: readonly string[] = ['Shift', 'CapsLock', 'AltGraph']

export interface Wedge {
  /** @returns the scanned text when this Enter ends a scan */
  key(key: string, timeMs: number): string | null
  /** Whether a key at this time comes too fast for a person. */
  fast(timeMs: number): boolean
  /** Whether nothing was typed for a while before this time. */
  quiet(timeMs: number): boolean
}

/** @param gapMs the longest pause inside a scan */
export function makeWedge(gapMs = SCAN_GAP_MS): Wedge {
  let text = ''
  let before = -Infinity
  return {
    fast: (timeMs) => text.length > 0 && timeMs - before < gapMs,
    quiet: (timeMs) => timeMs - before >= QUIET_MS,
    key(key, timeMs) {
      const quick = timeMs - before < gapMs
      before = timeMs
      if (key === 'Enter') {
        const scan = quick && text.length >= LEAST_SCAN ? text : null
        text = ''
        return scan
      }
      if (key.length !== 1) {
        // a scanner presses Shift for its capitals; any other key belongs to a person
        if (!HELD_KEYS.includes(key)) text = ''
        return null
      }
      text = quick ? text + key : key
      return null
    },
  }
}

/** Longest pause between the keys of a test code, and what was read; pauses grow when a terminal is busy. */
export function gapOf(times: readonly number[]): number {
  return times.slice(1).reduce((most, t, i) => Math.max(most, t - times[i]), 0)
}

/** The pause to allow for a scanner whose longest was this; null when it is too slow to be told from a person. */
export function gapFor(longestMs: number): number | null {
  const allowed = Math.max(SCAN_GAP_MS, Math.ceil(longestMs * 1.25))
  return allowed <= SLOWEST_GAP_MS ? allowed : null
}
