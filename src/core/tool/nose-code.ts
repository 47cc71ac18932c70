/** Nose radii as ISO 1832 designates them: two digits, tenths of a millimetre; inch inserts are so many 1/128 in, and a little smaller. */
export const NOSE_CODES = ['02', '04', '08', '12', '16', '20', '24', '28', '32'] as const
export type NoseCode = (typeof NOSE_CODES)[number]

const MM_PER_128TH = 25.4 / 128

/** The radii that a code may stand for, mm: as said, and as the inch insert of the same code is ground. */
export const radiiOf = (code: NoseCode): readonly [mm: number, inch: number] => {
  const mm = Number(code) / 10
  return [mm, Math.round(mm / MM_PER_128TH) * MM_PER_128TH]
}

/** A measured radius this far from what a code says is of another insert: as a share of it, and mm (common practice, no source). */
const MOST_OFF = 0.06
const LEAST_OFF_MM = 0.03

/** Which code a measured nose radius belongs to; null where it lies between two, or beyond all. */
export function noseCodeOf(radiusMm: number): NoseCode | null {
  const off = (code: NoseCode) => Math.min(...radiiOf(code).map((mm) => Math.abs(mm - radiusMm)))
  const nearest = NOSE_CODES.reduce((a, b) => (off(b) < off(a) ? b : a))
  return off(nearest) <= Math.max(LEAST_OFF_MM, MOST_OFF * radiusMm) ? nearest : null
}
