/** What can be asked of a picture, by symbol: ISO 13399 where it has one. */
export const FEATURES = ['LF', 'DC', 'RE', 'SIG', 'KAPR', 'CHW', 'KCH', 'SCX', 'SCZ'] as const
export type Feature = (typeof FEATURES)[number]

/** The value of an edge that answers a feature. */
export const KEY_OF = {
  LF: 'z',
  DC: 'x',
  RE: 're',
  SIG: 'sig',
  KAPR: 'kapr',
  CHW: 'chw',
  KCH: 'kch',
  SCX: 'scx',
  SCZ: 'scz',
} as const satisfies Record<Feature, string>
export type ValueKey = (typeof KEY_OF)[Feature]

/** Angles are in degrees, everything else in mm. */
export const ANGLES: readonly Feature[] = ['SIG', 'KAPR', 'KCH']

/** Limits in mm; both belong to the tolerance. A tolerance with one side has no least value. */
export interface SpecLimits {
  readonly min: number | null
  readonly max: number
}
