/** What a T number stands for: one copy for everyone, with a version; a change makes a new version, builds keep theirs. */
import type { Role } from './kind'

export interface Tolerance {
  readonly nominal: number
  readonly lower: number
  readonly upper: number
}

/** One line of the parts list. */
export interface PartLine {
  readonly role: Role
  /** Component id of first choice. */
  readonly component: string
  /** Component ids that may stand in, in order. */
  readonly alternatives: readonly string[]
  readonly count: number
}

export const TOOL_CLASSES = ['rough', 'finish', 'drill', 'tap', 'turn'] as const
export type ToolClass = (typeof TOOL_CLASSES)[number]

export const ROUTES = ['as the machine', 'measure, then balance', 'balance, then measure', 'no balance'] as const
export type Route = (typeof ROUTES)[number]

/** What can be asked of a measurement, by symbol. */
export const MEASURABLE = ['LF', 'DC', 'RE', 'SIG'] as const
export type Measurable = (typeof MEASURABLE)[number]

/** Nominal outline of half the tool in the measuring plane, from the spindle side to the axis; mm. */
export type ContourPiece =
  | { readonly type: 'line'; readonly from: readonly [number, number]; readonly to: readonly [number, number] }
  | {
      readonly type: 'arc'
      readonly centre: readonly [number, number]
      readonly radiusMm: number
      readonly fromRad: number
      readonly toRad: number
    }

export interface Definition {
  readonly id: string
  readonly version: number
  readonly t: number
  readonly name: string
  readonly toolClass: ToolClass
  readonly parts: readonly PartLine[]
  /** mm */
  readonly LF: Tolerance
  readonly DC: Tolerance
  readonly RE: Tolerance | null
  readonly edges: number
  readonly measure: readonly Measurable[]
  readonly radialRunoutMax: number
  readonly axialRunoutMax: number
  readonly machines: readonly string[]
  readonly programRpm: number
  /** Greatest torque of the job, N·m; null when nobody knows it. */
  readonly torqueNm: number | null
  /** How deep the tool has to reach before anything wider than it may touch, mm; null when nobody asks. */
  readonly reachMm: number | null
  readonly balance: { readonly grade: number; readonly rpm: number } | null
  readonly route: Route
  /** Minutes of cutting until it is worn, null when not kept. */
  readonly lifeMin: number | null
  readonly contour: readonly ContourPiece[] | null
  /** Orientation of a turning tool's tip, 1–9; left out where nobody said. */
  readonly tip?: number
  /** Inserts that are set back on purpose: every second one cuts so much smaller on radius and so much lower, mm; left out where all are equal. */
  readonly stepped?: { readonly radialMm: number; readonly axialMm: number }
  /** Least diameter down to which a reground cutter is as good, mm: the program works with radius compensation; left out where it does not. */
  readonly regroundDC?: number
  /** What length or diameter may change while it cuts, mm; left out where nobody looks. */
  readonly wearMm?: number
  /** Minutes of cutting after which it is measured again; left out: never for that. */
  readonly checkMin?: number
}

export const linesOf = (definition: Definition, role: Role): readonly PartLine[] =>
  definition.parts.filter((line) => line.role === role)

/** The component of first choice in a role; null when the tool has none. */
export const firstOf = (definition: Definition, role: Role): string | null => linesOf(definition, role)[0]?.component ?? null

/** Whether a part is named in the parts list, as first choice or as alternative. */
export const accepts = (definition: Definition, role: Role, component: string): boolean =>
  linesOf(definition, role).some((line) => line.component === component || line.alternatives.includes(component))

/** Default tolerances by class of tool, mm: a rougher or a tap needs no 2 µm. Common practice, no source; a shop edits them. */
export const CLASS_DEFAULTS: Readonly<
  Record<
    ToolClass,
    { readonly LF: number; readonly DC: number; readonly RE: number; readonly radial: number; readonly axial: number }
  >
> = {
  rough: { LF: 0.5, DC: 0.1, RE: 0.1, radial: 0.04, axial: 0.04 },
  finish: { LF: 0.1, DC: 0.03, RE: 0.02, radial: 0.012, axial: 0.01 },
  drill: { LF: 1, DC: 0.1, RE: 0.1, radial: 0.03, axial: 0.1 },
  tap: { LF: 1, DC: 0.2, RE: 0.2, radial: 0.05, axial: 1 },
  turn: { LF: 0.2, DC: 0.2, RE: 0.05, radial: 1, axial: 1 },
}
