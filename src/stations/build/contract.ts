import type { Refusal as FitsRefusal } from '@/core/fits'
import type { UnitError } from '@/devices/shrink/port'
import type { Bare } from '@/core/units'

export interface BuildRefusals {
  /** @param by who has begun it; null: just now */
  BEING_BUILT: { readonly serial: string; readonly by?: { readonly who: string; readonly t: number; readonly job: string } }
  BUILD_NOT_BEGUN: { readonly serial: string }
  /** Only the taper of the holder is known. */
  UNKNOWN_TYPE: { readonly serial: string }
  /** @param is what it is, where that is known */
  NOT_AN_EXTENSION: { readonly serial: string; readonly is: string | null }
  EXTENSION_NOT_FREE: { readonly serial: string; readonly retired: boolean }
  /** Nobody said which extension is in it. @param name of its type */
  NO_EXTENSION: { readonly name: string }
  STEPS_LEFT: { readonly steps: readonly string[] }
  /** @param now nothing is heated out now; else the cutter is not shrunk in at all */
  NOT_SHRUNK: { readonly serial: string; readonly now: boolean }
  SHRINK_NOT_BEGUN: { readonly serial: string }
  COIL_NOT_CONFIRMED: Bare
  /** @param out heated for getting the cutter out */
  HEATED: { readonly out: boolean }
  STILL_HEATING: Bare
  /** The joint is warm from its last heat. */
  JOINT_WARM: { readonly joint: string }
  TOO_COLD: { readonly noseC: number; readonly leastC: number }
  BODY_HOT: { readonly body: number }
  SHRINK_UNIT: { readonly error: UnitError }
  /** The holder's limit would be passed: a lead's to allow. @param leadFor the limits */
  HEAT_LIMIT: { readonly reasonMissing: boolean; readonly leadFor: readonly FitsRefusal[] }
  NEEDS_HEAT: Bare
  NOT_WORN: { readonly serial: string }
  /** @param said of how many of these pieces it is said where they go */
  PART_LEFT: { readonly count: number; readonly name: string; readonly said: number }
  NO_STEPS: Bare
  STEP_TWICE: { readonly id: string }
  UNKNOWN_CONFIRM: { readonly step: string; readonly confirm: string }
}
