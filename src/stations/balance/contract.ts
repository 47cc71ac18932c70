import { z } from 'zod'
import type {
  BadBalance,
  BalanceFit,
  BalanceWanted,
  CalibrationFault,
  HolderHas,
  Influence,
  PlaneName,
  SpinFault,
  Standing,
} from '@/core/balance'
import type { Complex } from '@/core/numeric'
import type { Arc, Coupling } from '@/core/tool'
import type { Bare } from '@/core/units'
import type { SpindleError, SpindleState } from '@/devices/spindle/port'
import { contract, OneSerial, Serial, type Said } from '../contract'

export interface BalanceRefusals {
  /** A task of balancing that cannot be worked on. */
  BAD_BALANCE: { readonly why: BadBalance }
  SPINDLE: { readonly error: SpindleError }
  SPINDLE_ADAPTER: { readonly has: Coupling; readonly needs: Coupling }
  /** @param since of the last calibration, which is too old; null: there is none */
  NOT_CALIBRATED: { readonly coupling: Coupling; readonly since: string | null }
  CALIBRATION: { readonly fault: CalibrationFault }
  SPIN: { readonly fault: SpinFault }
  NO_GRADE: Bare
  NO_WEIGHT: Bare
  ABOVE_WEAKEST: { readonly rpm: number; readonly most: number; readonly part: string }
  STILL_WARM: { readonly until: string }
  /** An adjustable tool is set and measured before it is balanced. */
  SET_FIRST: { readonly serial: string }
  BROKEN_TOOL: { readonly serial: string }
  /** The spindle turned with another tool, or in another seat. */
  OTHER_RUN: Bare
  NOT_BALANCED: { readonly serial: string }
  NOTHING_TO_CORRECT: { readonly serial: string }
  FIT_UNDER_WAY: { readonly left: number }
  NO_SCREW: { readonly massG: number }
}

const Version = z.number().int().min(0)
const Seat = z.union([z.literal(0), z.literal(180)])
const Grade = z.number().min(0.1).max(4000)
const Rpm = z.number().min(100).max(200_000)

/** What a tool is balanced for, where its definition does not say. */
export const setWanted = contract()(z.object({ serial: Serial, grade: Grade, rpm: Rpm, version: Version }))
/** What the spindle does now, and whose run Boulder started; null within it: the rotor's. */
export interface SpindleView extends SpindleState {
  readonly with: { readonly assemblyId: number | null; readonly seat: 0 | 180; readonly round: number } | null
}
export const spindleState = contract<SpindleView>()(z.object({}))
/** Starts the spindle with the tool in it. */
export const startSpin = contract()(z.object({ serial: Serial, seat: Seat, version: Version }))
/** Takes what the spindle recorded. */
export const takeSpin = contract<{ readonly grade: number | null }>()(z.object({ serial: Serial, version: Version }))
/** The corrections once more, with what is in the drawer now. */
export const computeFits = contract()(z.object({ serial: Serial, version: Version }))
/** Which correction is done. */
export const chooseFit = contract()(z.object({ serial: Serial, fit: z.number().int().min(0).max(20), version: Version }))
/** The next step of the correction is done. */
export const confirmStep = contract<{ readonly left: number }>()(
  z.object({ serial: Serial, step: z.number().int().min(0).max(200), version: Version }),
)
export const saveBalance = contract<{ readonly grade: number; readonly goodToRpm: number }>()(
  z.object({ serial: Serial, version: Version }),
)
/** A result from elsewhere. */
export const typeBalance = contract()(z.object({ serial: Serial, grade: Grade, rpm: Rpm, by: z.string().trim().min(2).max(80) }))
export const dropBalance = contract()(OneSerial)

/** The rotor that the spindle is calibrated with, and the masses that are put into it. */
export const beginCalibration = contract()(
  z.object({
    rotor: z.string().trim().min(1).max(40),
    backMm: z.number().min(0).max(600),
    frontMm: z.number().min(0).max(600),
    trialGmm: z.number().min(1).max(10_000),
    version: Version,
  }),
)
export const startCalibrationSpin = contract()(z.object({ version: Version }))
export const takeCalibrationSpin = contract<{ readonly left: number }>()(z.object({ version: Version }))
export const dropCalibration = contract()(z.object({}))

/** Where grade and speed come from. */
export type WantedFrom = 'typed' | 'definition' | 'program'

/** A plane as it is drawn: where it can be corrected. */
export interface DrawnPlane {
  readonly name: PlaneName | null
  readonly zMm: number
  readonly holes: readonly number[]
  /** Where mass may be added, °. */
  readonly places: readonly number[]
  /** Where nothing may be drilled, °; empty where it is not drilled. */
  readonly never: readonly Arc[]
}

export interface BalanceView {
  readonly assemblyId: number
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly machine: string | null
  readonly refusal: Said | null
  readonly wanted: BalanceWanted | null
  readonly wantedFrom: WantedFrom | null
  readonly version: number
  readonly massKg: number | null
  /** 0 before the first correction. */
  readonly round: number
  /** The holder has holes for screws of this thread, and none are in the drawer; null: there are some. */
  readonly emptyDrawer: string | null
  /** Which seat is run next; null once both are in. */
  readonly seat: 0 | 180 | null
  /** As it was found in this round; and before the first correction. */
  readonly standing: Standing | null
  readonly before: Standing | null
  readonly good: boolean
  readonly fits: readonly BalanceFit[]
  readonly chosen: number
  readonly done: number
  readonly has: HolderHas
  readonly planes: readonly DrawnPlane[]
  readonly correctable: boolean
  readonly rounds: readonly { readonly round: number; readonly grade: number; readonly at: string }[]
  readonly result: {
    readonly grade: number
    readonly rpm: number
    readonly goodToRpm: number
    readonly wanted: BalanceWanted
    readonly who: string
    readonly at: string
    readonly elsewhere: string | null
  } | null
  /** What two seats in the machine come to by themselves, where that is more than what is wanted. */
  readonly seatGrade: { readonly um: number; readonly grade: number } | null
  /** Whether it is measured after it is balanced. */
  readonly then: 'measure' | 'hand-over'
}

/** What the calibration's sheet shows. */
export interface CalibrationView {
  readonly version: number
  readonly validDays: number
  /** The calibration under way, and its next run; null: none. */
  readonly work: {
    readonly zMm: readonly [number, number]
    readonly trialGmm: number
    readonly index: number
    readonly of: number
    readonly next: { readonly load: 'alone' | 'back' | 'front'; readonly seat: 0 | 180 }
  } | null
  readonly last: readonly {
    readonly id: number
    readonly at: string
    readonly who: string
    readonly coupling: Coupling
    readonly rotor: string
    readonly influence: Influence
    readonly trialGmm: number | null
    readonly residual: readonly Complex[]
    readonly condition: number
  }[]
}
