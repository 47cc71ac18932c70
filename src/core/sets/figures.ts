/** Figures that come without pictures: read off another bench and typed twice, or sent over a serial line. */
import { fail, MM_PER_INCH, ok, type Result } from '../units'
import type { Feature, SpecLimits } from '../features'
import { summarise, type EdgeMeasurement, type SetMeasurement } from './measure-set'

export const FIGURE_KEYS = ['LF', 'DC', 'RE'] as const
export type FigureKey = (typeof FIGURE_KEYS)[number]

/** One standard deviation of a figure read off a bench without a camera, mm: common practice, no source. */
export const FIGURE_SIGMA_MM = 0.005

/** What is typed in, mm; null where nothing was. */
export type Figures = Readonly<Record<FigureKey, number | null>>

export type FigureError =
  | { readonly code: 'TYPED_DIFFERENT'; readonly key: FigureKey }
  | { readonly code: 'MISSING'; readonly key: FigureKey }
  | { readonly code: 'NOT_POSITIVE'; readonly key: FigureKey }

/** What a typed value is of the wanted one, where somebody may have mixed something up. */
export type MixUp = 'twice' | 'half' | 'inch' | 'mm'

/** So near a factor a value is taken for a mix-up, as a share. */
const MIX_UP_SHARE = 0.03

/**
 * Whether a value looks like radius for diameter, diameter for radius, or one unit for the other; null when it does not.
 * @param wanted limits that it should lie in, mm
 */
export function mixUp(value: number, wanted: SpecLimits): MixUp | null {
  const middle = wanted.min === null ? wanted.max : (wanted.min + wanted.max) / 2
  if (!(middle > 0) || (value >= (wanted.min ?? 0) && value <= wanted.max)) return null
  const factors: readonly (readonly [MixUp, number])[] = [
    ['twice', 2],
    ['half', 0.5],
    ['inch', 1 / MM_PER_INCH],
    ['mm', MM_PER_INCH],
  ]
  return factors.find(([, factor]) => Math.abs(value / (middle * factor) - 1) < MIX_UP_SHARE)?.[0] ?? null
}

/** Two figures are one when they agree to this, mm. */
const SAME_MM = 5e-5

/** @param wanted what the tool is judged by: must be there */
export function agreeFigures(first: Figures, second: Figures, wanted: readonly FigureKey[]): Result<Figures, FigureError> {
  for (const key of FIGURE_KEYS) {
    const a = first[key]
    const b = second[key]
    if (a === null && b === null) {
      if (wanted.includes(key)) return fail({ code: 'MISSING', key })
      continue
    }
    if (a === null || b === null || Math.abs(a - b) > SAME_MM) return fail({ code: 'TYPED_DIFFERENT', key })
    if (!(a > 0)) return fail({ code: 'NOT_POSITIVE', key })
  }
  return ok(first)
}

/** The figures as a measurement of one nameless edge: no runout, and no less uncertain than they were read. */
export function figureSet({ LF, DC, RE }: Figures, sigmaMm = FIGURE_SIGMA_MM): SetMeasurement {
  const of = (value: number | null, sigma: number) => (value === null ? null : { value, sigma })
  const edge: EdgeMeasurement = {
    edge: 1,
    spindleDeg: 0,
    x: of(DC === null ? null : DC / 2, sigmaMm / 2),
    z: of(LF, sigmaMm),
    re: of(RE, sigmaMm),
    sig: null,
    kapr: null,
    chw: null,
    kch: null,
    scx: null,
    scz: null,
    focus: 0,
    debris: [],
  }
  const measure = (['LF', 'DC', 'RE'] as const satisfies readonly Feature[]).filter((key) => ({ LF, DC, RE })[key] !== null)
  return { measure, edges: [edge], summary: summarise([edge], measure), warnings: [] }
}
