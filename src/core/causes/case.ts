/** What is known of a measured tool when somebody asks what is wrong with it. Lengths mm, angles degrees. */

export const CAUSE_CODES = [
  'NOTHING',
  'OFF_CENTRE',
  'TILTED',
  'EDGE_HIGH',
  'EDGE_LOW',
  'WRONG_NOSE',
  'WORN',
  'WARM',
  'LENGTH_NOT_SET',
  'CREPT',
  'WRONG_CUTTER',
  'ZERO_MOVED',
] as const
export type CauseCode = (typeof CAUSE_CODES)[number]

export const CAUSE_KINDS = ['solid', 'inserts', 'boring', 'drill', 'shell'] as const
export type CauseKind = (typeof CAUSE_KINDS)[number]

export const CAUSE_CLAMPINGS = ['shrink', 'collet', 'hydraulic', 'side-lock', 'arbor', 'head'] as const
export type CauseClamping = (typeof CAUSE_CLAMPINGS)[number]

export interface EdgeRead {
  readonly edge: number
  /** Where it is round the axis. */
  readonly deg: number
  /** Radius, length and corner radius as measured. */
  readonly x: number
  readonly z: number
  readonly re?: number
}

type Range = readonly [min: number, max: number]

export interface CauseCase {
  readonly kind: CauseKind
  readonly clamping: CauseClamping | null
  /** At least one. */
  readonly edges: readonly EdgeRead[]
  /** One standard deviation of a reading, above 0. */
  readonly sigma: { readonly x: number; readonly z: number; readonly re?: number }
  /** Radii at another height, so far below the tip. */
  readonly second?: {
    readonly heightMm: number
    /** `deg`: where the edge is round the axis at that height, which a helix turns away from where it is at its tip; left out: as at its tip. */
    readonly edges: readonly { readonly edge: number; readonly x: number; readonly deg?: number }[]
  }
  /** The middle of each is what was wanted. */
  readonly limits: { readonly LF: Range; readonly DC: Range; readonly RE?: Range; readonly runout: number }
  /** What it measured before. */
  readonly before?: { readonly LF: number; readonly DC: number; readonly RE?: number }
  /** By how much it is warmer than the room, K, over so much of its length. */
  readonly warmK?: number
  readonly heatedMm?: number
  readonly minutesCut?: number
  /**
   * How far good tools of this shop scatter about the middle of their limits, one standard deviation; left out: not at all. A tool
   * that has it measured the same before, wherever in its limits that is.
   */
  readonly scatter?: { readonly LF: number; readonly DC: number }
}

/** How often each cause was the right one, by the shop's own record. */
export type CauseCounts = Readonly<Partial<Record<CauseCode, number>>>

export type BadCase =
  | { readonly why: 'NO_EDGES' }
  | { readonly why: 'LIMITS'; readonly of: 'LF' | 'DC' | 'RE' | 'runout' }
  | { readonly why: 'SIGMA'; readonly of: 'x' | 'z' | 're' }
  | { readonly why: 'EDGE_TWICE'; readonly edge: number }
  /** The second height is below the tip, and above the gauge line. */
  | { readonly why: 'HEIGHT' }

/** Why a case cannot be judged; null when it can. */
export function badCase({ edges, limits, sigma, second }: CauseCase): BadCase | null {
  if (edges.length === 0) return { why: 'NO_EDGES' }
  const twice = edges.find(({ edge }, i) => edges.findIndex((e) => e.edge === edge) !== i)
  if (twice) return { why: 'EDGE_TWICE', edge: twice.edge }
  for (const key of ['LF', 'DC', 'RE'] as const) {
    const range = limits[key]
    if (range && !(range[0] < range[1])) return { why: 'LIMITS', of: key }
  }
  if (!(limits.runout > 0)) return { why: 'LIMITS', of: 'runout' }
  for (const key of ['x', 'z', 're'] as const) if (sigma[key] !== undefined && !(sigma[key] > 0)) return { why: 'SIGMA', of: key }
  if (second && !(second.heightMm > 0 && second.heightMm < limits.LF[0])) return { why: 'HEIGHT' }
  return null
}

export const middle = ([min, max]: Range): number => (min + max) / 2
