import type { FrameSetError } from '@/codecs/faults'
import { z } from 'zod'
import { FEATURES } from '@/core/features'
import type { CheckDue, DriftVerdict, FeatureKey, ProgramError, Verdict } from '@/core/judge'
import type { Calibration, PinError } from '@/core/outline'
import type { FigureError, Figures, MixUp, SetError } from '@/core/sets'
import { type Coupling } from '@/core/tool'
import { contract, CouplingName, fault, MachineKey, OneSerial, Serial, Why, WhyOrNull } from '../contract'
import type { LineError } from '@/devices/line-bench/port'
import type { Bare } from '@/core/units'

export interface MeasureRefusals {
  UNKNOWN_ADAPTER: { readonly serial: string }
  SAME_ADAPTER: { readonly serial: string }
  ADAPTER_EXISTS: { readonly serial: string }
  WRONG_ADAPTER: { readonly has: Coupling; readonly needs: Coupling }
  UNKNOWN_MASTER: Bare
  CERTIFICATE_ENDED: Bare
  /** The new certificate is too far from the old one. */
  OTHER_CERTIFICATE: { readonly master: string; readonly awayMm: number }
  CHECK_NOT_DUE: Bare
  MASTER_DUE: { readonly due: CheckDue }
  VALUES_MASTER_DUE: { readonly due: 'never' | 'shift'; readonly master: string | null }
  /** @param coupling of the other bench; null: none belongs to the adapter on the spindle */
  NO_MASTER: { readonly coupling: Coupling | null }
  OTHER_MASTER: { readonly scanned: string; readonly master: string }
  MASTER_EXPIRED: { readonly master: string; readonly until: string }
  MASTER_NOT_WHOLE: Bare
  TOO_FAR: { readonly bench: 'this' | 'other' }
  /** The bench was checked after the pictures were taken. */
  OTHER_ZERO: { readonly measuring: 'master' | 'tool' }
  OTHER_PROGRAM: Bare
  OTHER_SCALE: Bare
  /** Pictures that cannot be unpacked. @param detail a sentence of the reader of such files */
  FRAME_SET: { readonly error: FrameSetError }
  SET: { readonly error: SetError }
  /** @param edge null: on the master */
  DEBRIS: { readonly edge: number | null }
  TOO_YOUNG: { readonly days: number }
  /** Longer than when it went into the machine. */
  CREPT: { readonly machine: string; readonly byMm: number }
  JUMP: { readonly feature: FeatureKey; readonly byMm: number }
  NO_DEFINITION: Bare
  ROUTINE: { readonly error: ProgramError }
  /** @param masters marks of those that it can be calibrated on */
  CAMERA_DUE: { readonly masters: readonly string[] }
  PIN: { readonly error: PinError }
  NO_LINE: Bare
  LINE: { readonly error: LineError }
  MIXED_UP: { readonly feature: FeatureKey; readonly mixed: MixUp }
  CAMERA_SAID_OUT: { readonly feature: FeatureKey }
  FIGURES: { readonly error: FigureError }
  OTHER_TAPER: { readonly serial: string; readonly has: Coupling; readonly not: Coupling }
}

/** @param from the adapter that is on it now */
export const changeAdapter = contract()(OneSerial.extend({ from: z.string().max(40).nullable() }))
export const addAdapter = contract()(z.object({ serial: Serial, coupling: CouplingName, name: z.string().trim().max(60) }))
export const renewMaster = contract()(
  z.object({
    id: z.string().max(60),
    /** As the new certificate gives them, mm. */
    LFmm: z.number().positive(fault('CERTIFICATE_LENGTH')).max(2000),
    DCmm: z.number().positive(fault('CERTIFICATE_DIAMETER')).max(1000),
    calibratedUntil: z.iso.date({ error: fault('CERTIFICATE_DAY') }),
    from: z.string().max(40),
  }),
)
export const overruleCheck = contract()(z.object({ reason: Why }))
export const saveValuesCheck = contract<{ readonly verdict: DriftVerdict }>()(
  z.object({
    coupling: CouplingName,
    scanned: Serial,
    LFmm: z.number().positive().max(2000),
    DCmm: z.number().positive().max(1000),
  }),
)

/** A measurement that is saved. @param kept the same within uncertainty: what was handed over counts on */
export interface Saved {
  readonly id: number
  readonly verdict: Verdict | null
  readonly voided: number | null
  readonly kept: boolean
}
const Figure = z.number().max(5000).nullable()
const FigureSet = z.object({ LF: Figure, DC: Figure, RE: Figure })
const TypedFigures = z.object({ serial: Serial, scanned: Serial, first: FigureSet, second: FigureSet, reason: WhyOrNull })
export const saveFigures = contract<Saved>()(TypedFigures)
/** What the browser calls its camera. */
export const CameraName = z.string().regex(/^[\w+/=-]{1,100}$/)
export interface CameraState {
  /** Where it looks, and the check that found it; null: it must be calibrated. */
  readonly calibration: (Calibration & { readonly checkId: number }) | null
}
/** Whether a terminal's camera may measure this tool now. */
export const cameraState = contract<CameraState>()(OneSerial.extend({ camera: CameraName }))
/** What the serial gauge shows now. */
export const readLine = contract<Figures>()(z.object({}))
export const saveLineFigures = contract<Saved>()(TypedFigures.omit({ second: true }))

const Limit = z.object({ min: z.number().finite().nullable(), max: z.number().finite() })
export const keepProgram = contract<{ readonly version: number }>()(
  z.object({
    serial: Serial,
    steps: z
      .array(
        z.object({
          name: z.string().trim().max(40),
          at: z.object({ xMm: z.number().min(-50).max(500), downMm: z.number().min(-50).max(500) }).nullable(),
          features: z.array(z.enum(FEATURES)).readonly(),
          corner: z.enum(['single', 'turn']).optional(),
          limits: z.partialRecord(z.enum(FEATURES), Limit),
        }),
      )
      .max(20)
      .readonly(),
    base: z.number().int().min(0),
    why: Why,
  }),
)
export const takeInTool = contract<{ serial: string }>()(
  z.object({
    serial: Serial,
    coupling: CouplingName,
    name: z.string().trim().max(80).default(''),
    t: z.number().int().min(1).max(99999).nullable(),
    machine: MachineKey.nullable(),
  }),
)
/** Pictures that were deleted. */
export const cleanPictures = contract<{ readonly sets: number; readonly bytes: number }>()(
  z.object({ keepDays: z.number().int(fault('WHOLE')).max(36_500) }),
)
