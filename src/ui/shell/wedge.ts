/** Tells a keyboard-wedge scanner from a person: keys less than 35 ms apart, then Enter. Times come with the keys. */

export const SCAN_GAP_MS = 35
/** Single keys act only after this much quiet, so that a scan can never be taken for one. */
export const QUIET_MS = 80
const LEAST_SCAN = 3

export interface Wedge {
  /** @returns the scanned text when this Enter ends a scan */
  key(key: string, timeMs: number): string | null
  /** Whether a key at this time comes too fast for a person. */
  fast(timeMs: number): boolean
}

export function makeWedge(): Wedge {
  let text = ''
  let before = -Infinity
  return {
    fast: (timeMs) => text.length > 0 && timeMs - before < SCAN_GAP_MS,
    key(key, timeMs) {
      const quick = timeMs - before < SCAN_GAP_MS
      before = timeMs
      if (key === 'Enter') {
        const scan = quick && text.length >= LEAST_SCAN ? text : null
        text = ''
        return scan
      }
      if (key.length !== 1) return null
      text = quick ? text + key : key
      return null
    },
  }
}
