/** What can be asked of a picture, by symbol (ISO 13399 where it has one): one row a feature. */

/** What a picture may warn of a value that is missing. */
export type LackCode =
  'CUT_OFF_RIGHT' | 'CUT_OFF_BOTTOM' | 'NO_FLANK' | 'CUT_OFF_TOP' | 'NO_END' | 'NO_CORNER_ARC' | 'NO_POINT' | 'NO_SIDE'

interface FeatureRow {
  /** Its value in an edge. */
  readonly key: 'x' | 'z' | 're' | 'sig' | 'kapr' | 'chw' | 'kch' | 'scx' | 'scz'
  /** Degrees; everything else is mm. */
  readonly angle: boolean
  /** Of the turns of one edge: the top of the highest ones, or what its farthest turn says. */
  readonly ofTurns: 'top' | 'farthest'
  /** Of the edges of a tool. */
  readonly ofEdges: 'largest' | 'twice largest' | 'mean'
  /** Warnings of its pictures that count only while the edge has no such value. */
  readonly warned: readonly LackCode[]
  /** What is said of an edge without it, where no picture warned. */
  readonly lacking: 'NO_POINT' | 'NO_SIDE' | null
}

const size = { angle: false, ofTurns: 'top', lacking: null } as const
const side = { ofTurns: 'farthest', ofEdges: 'mean', warned: [], lacking: 'NO_SIDE' } as const

export const FEATURE = {
  LF: { ...size, key: 'z', ofEdges: 'largest', warned: ['CUT_OFF_TOP', 'NO_END'] },
  DC: { ...size, key: 'x', ofEdges: 'twice largest', warned: ['CUT_OFF_RIGHT', 'CUT_OFF_BOTTOM', 'NO_FLANK'] },
  RE: { key: 're', angle: false, ofTurns: 'farthest', ofEdges: 'mean', warned: ['NO_CORNER_ARC'], lacking: null },
  SIG: { ...side, key: 'sig', angle: true, lacking: 'NO_POINT' },
  KAPR: { ...side, key: 'kapr', angle: true },
  CHW: { ...side, key: 'chw', angle: false },
  KCH: { ...side, key: 'kch', angle: true },
  SCX: { ...side, key: 'scx', angle: false },
  SCZ: { ...side, key: 'scz', angle: false },
} as const satisfies Readonly<Record<string, FeatureRow>>

export type Feature = keyof typeof FEATURE
/** In the order in which they are told. */
export const FEATURES = Object.keys(FEATURE) as readonly Feature[]
export type ValueKey = FeatureRow['key']

/** The value of an edge that answers a feature. */
export const keyOf = (feature: Feature): ValueKey => FEATURE[feature].key
export const rowOf = (feature: Feature): FeatureRow => FEATURE[feature]

/** Limits in mm; both belong to the tolerance. A tolerance with one side has no least value. */
export interface SpecLimits {
  readonly min: number | null
  readonly max: number
}
