/** What an outline can be recognised as, and why it was not. */
import type { OutlinePoint, Side, Traced } from '../outline'
import type { Result } from '../units'
import type { Values } from './measured'

/** An outline with what every recogniser wants to know of it, found once. */
export interface Look extends Traced {
  readonly blurMm: number
  /** Points this near to a side's line are on it, mm. */
  readonly near: number
  readonly flank: Side | null
  readonly face: Side | null
  /** Neither the right nor the top border cuts it. */
  readonly whole: boolean
}

export type ShapeName =
  'point' | 'small-corner' | 'corner' | 'ball' | 'corner-cut-right' | 'corner-cut-top' | 'facets' | 'extremes'

/** Why a recogniser does not take an outline for its shape. */
export type Why =
  /** Another one explains it so well that this was not tried. */
  | 'EXPLAINED_ALREADY'
  /** The straight sides that it is drawn between are not there. */
  | 'NO_SIDES'
  /** A border cuts what it needs, or cuts nothing where it needs a cut. */
  | 'OTHER_CUT'
  /** Nothing of its kind is there to start from. */
  | 'NO_START'
  /** No such shape could be fitted. */
  | 'NO_FIT'
  /** What was fitted is no shape that a tool has. */
  | 'NOT_PLAUSIBLE'
  /** Too much of the outline lies off it. */
  | 'EXPLAINS_TOO_LITTLE'
  /** Another one explains as much. */
  | 'NOT_BETTER'

/** An outline taken for a shape. */
export interface Explanation {
  /** What it leaves unexplained, 0 … 1. */
  readonly misfit: number
  /** It counts only when it leaves less than this. */
  readonly most: number
  /** Largest radius, greatest height and corner radius, mm from the middle of the picture. */
  readonly values: () => Values
  /** The points that were held against it, and how far each lies outside of it, mm. */
  readonly points: readonly OutlinePoint[]
  readonly out: () => ArrayLike<number>
  /** Hollows up to so much deeper than elsewhere belong to the shape, mm; null: none is told. */
  readonly hollowMm: number | null
  /** Whether it explains the whole outline. */
  readonly whole: boolean
}

/** One kind of shape: where its fit starts, how it is fitted, and whether what came out counts. */
export interface Recogniser<S> {
  readonly name: ShapeName
  start(look: Look, best: Best | null): Result<S, Why>
  fit(look: Look, start: S, best: Best | null): Result<Explanation, Why>
  /** @returns why not; null when it counts from now on */
  accept(found: Explanation, best: Best | null): Why | null
}

/** The best explanation so far. */
export interface Best {
  readonly name: ShapeName
  readonly found: Explanation
}

export interface Recognised extends Best {
  /** Every other shape, and why it is none of these. */
  readonly not: readonly { readonly name: ShapeName; readonly why: Why }[]
}
