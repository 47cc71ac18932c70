import { z } from 'zod'
import { COOLING_WAYS } from '@/core/clamp'
import { CLAMPINGS, CONFIRMS, type Refusal as FitsRefusal } from '@/core/fits'
import { DISTURBANCES } from '@/core/tool'
import type { UnitError, UnitState } from '@/devices/shrink/port'
import { contract, fault, OneSerial, PartId, Serial, WhyOrNull } from '../contract'
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

export const beginBuild = contract<{ serial: string }>()(
  z.object({ job: z.string().max(60), t: z.number().int(), serial: Serial }),
)
export const finishBuild = contract<{ serial: string; touchAt: string | null }>()(OneSerial)
export const abandonBuild = contract()(OneSerial)
export const tickStep = contract()(z.object({ serial: Serial, step: z.string().max(40), done: z.boolean() }))
export const addExtension = contract()(z.object({ serial: Serial, extension: Serial }))
export const startHeat = contract()(OneSerial)
export const coolDown = contract()(
  z.object({ serial: Serial, body: z.number().int().min(1).max(20), failed: z.boolean().optional() }),
)
/** A unit without a data line: whoever heats says what was done. */
export const shrinkByHand = contract()(z.object({ serial: Serial, way: z.enum(COOLING_WAYS) }))
export const heatOut = contract()(z.object({ serial: Serial, reason: WhyOrNull }))
export const coolOut = contract()(z.object({ serial: Serial, body: z.number().int().min(1).max(20) }))
export const heatOutByHand = contract()(z.object({ serial: Serial, way: z.enum(COOLING_WAYS), reason: WhyOrNull }))
export const takeOut = contract()(OneSerial)
/** What the unit shows now; asked again and again while it heats. */
export const unitState = contract<UnitState>()(z.object({}))
export const correctCondition = contract()(z.object({ serial: Serial, reason: z.string().trim().min(5, fault('WHY')).max(300) }))
export const takeApart = contract<{ text: string }>()(
  z.object({
    serial: Serial,
    dispositions: z
      .array(
        z.object({
          component: PartId,
          count: z.number().int().min(1).max(100),
          to: z.enum(['back', 'scrap']),
          wear: z.string().trim().max(200),
        }),
      )
      .max(60),
  }),
)
export const disturb = contract<{ voided: number | null }>()(z.object({ serial: Serial, what: z.enum(DISTURBANCES) }))
/** @param version of the steps that were changed, 0 for what ships */
export const putSteps = contract<{ version: number }>()(
  z.object({
    clamping: z.enum(CLAMPINGS),
    steps: z
      .array(
        z.object({
          id: z
            .string()
            .trim()
            .regex(/^[a-z][a-z0-9-]{0,19}$/, fault('STEP_NAME')),
          title: z.string().trim().min(1, fault('STEP_TITLE')).max(40),
          text: z.string().trim().min(1, fault('STEP_TEXT')).max(600),
          confirm: z.enum(CONFIRMS),
          needs: z.array(z.string().trim().min(1).max(60)).max(8).optional(),
          caution: z.string().trim().max(200).optional(),
        }),
      )
      .max(20)
      .nullable(),
    version: z.number().int().min(0),
  }),
)
