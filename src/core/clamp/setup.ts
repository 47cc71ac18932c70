/** The whole set-up of a shrink-fit tool, for the worst and the best of its tolerances. */
import { fail, ok, type Limits, type Result } from '../units'
import { coneSlipTorqueNm, contactPressure, sleeveStress, slipForceN } from './interference'
import { shankLimits, type ShankClass } from '../tool'
import { MATERIALS, materialsOf, type Material, type MaterialName, type Materials } from './material'
import { STANDARD_PRACTICE, type Practice } from './practice'
import {
  coolingTauS,
  coolingTimeS,
  heatingTimeS,
  insertionRiseK,
  removalRiseK,
  shrinkBackMm,
  slidingClearanceMm,
  temperatureAt,
  wallTimeS,
} from './shrink'

export interface ShrinkJoint {
  /** Limits of the cold bore, mm. */
  readonly bore: Limits
  /** Outer diameter at the mouth (mm), half angle of the cone (rad), heated length (mm). */
  readonly noseMm: number
  readonly noseHalfAngleRad: number
  readonly heatedMm: number
  readonly holderMaterial: MaterialName
  readonly greatestC: number
  /** Yield strength of the nose, N/mm². */
  readonly yieldMPa: number
  readonly shankMm: number
  readonly shankClass: ShankClass
  readonly shankMaterial: MaterialName
  readonly coolantBoreMm: number
  /** Depth of the shank in the bore, mm. */
  readonly gripMm: number
}

/** What the shop sets: editable data, with where the default comes from. */
export interface ShrinkPractice {
  readonly mu: number
  readonly powerW: number
  readonly efficiency: number
  /** Heat transfer of each way of cooling, W/(m²·K). */
  readonly coolingH: Readonly<Record<CoolingWay, number>>
  /** Share of the nose's rise that the shank takes while the tool is heated out, 0…1. */
  readonly warmedShare: { readonly carbide: number; readonly steel: number }
  readonly materials: Materials
  /** Most that the spindle takes in which nuts are tightened, N·m. */
  readonly tightenNm: number
  readonly ambientC: number
  /** Cool enough to touch, and to measure. */
  readonly touchC: number
  readonly measureC: number
  /** Share of the upper bound by which the stop is set high. */
  readonly shrinkBackShare: number
}

/** How a nose is cooled: pressed into a body, by the unit's own cycle, or in air. */
export const COOLING_WAYS = ['contact', 'cycle', 'air'] as const
export type CoolingWay = (typeof COOLING_WAYS)[number]

/** What of the shop's practice the shrink fit asks for. */
export const shrinkPractice = (p: Practice): ShrinkPractice => ({
  mu: p.frictionMu,
  powerW: p.unitPowerW,
  efficiency: p.unitEfficiency,
  coolingH: { contact: p.contactH, cycle: p.cycleH, air: p.airH },
  warmedShare: { carbide: p.warmedCarbide, steel: p.warmedSteel },
  materials: materialsOf(p),
  tightenNm: p.tightenNm,
  ambientC: p.ambientC,
  touchC: p.touchC,
  measureC: p.measureC,
  shrinkBackShare: p.shrinkBackShare,
})

/** As it ships. */
export const USUAL_PRACTICE: ShrinkPractice = shrinkPractice(STANDARD_PRACTICE)

export interface ShrinkSetup {
  readonly interferenceMm: Limits
  /** Bore temperature for the tightest pair, °C. */
  readonly temperatureC: number
  /** Below this the tightest shank does not go in any more, °C. */
  readonly leastC: number
  readonly heatingS: number
  /** Earliest times after the end of the heat, s. */
  readonly touchS: number
  readonly measureS: number
  /** Cooling constant, s, for the curve and the warmth left at any time; the times above are those of contact. */
  readonly tauS: number
  readonly taus: Readonly<Record<CoolingWay, number>>
  /** Bore temperature for getting it out again, °C; Infinity where it never comes out. */
  readonly removalC: number
  /** How much higher than wanted the stop is set, mm, and its upper bound. */
  readonly stopHighMm: number
  readonly shrinkBackBoundMm: number
  readonly gripTorqueNm: Limits
  readonly pullOutN: Limits
  /** Greatest stress of the nose after von Mises, N/mm², and its share of the yield strength. */
  readonly stressMPa: number
  readonly stressShare: number
  readonly notes: readonly ShrinkNote[]
}

export type ShrinkNote =
  | { readonly code: 'STEEL_SHANK' }
  /** It could be shrunk in but not be heated out again within the holder's limit. */
  | { readonly code: 'NOT_OUT_AGAIN'; readonly neededC: number; readonly limitC: number }
  | { readonly code: 'TORQUE_LOW'; readonly worstNm: number; readonly wantedNm: number }

export type ShrinkError =
  | { readonly code: 'SIZE_NOT_IN_TABLE'; readonly nominalMm: number }
  | { readonly code: 'SHANK_TOO_COARSE'; readonly shankClass: ShankClass }
  | { readonly code: 'NO_INTERFERENCE'; readonly leastMm: number }
  | { readonly code: 'TOO_HOT'; readonly neededC: number; readonly limitC: number }
  | { readonly code: 'OVERSTRESSED'; readonly stressMPa: number; readonly yieldMPa: number }

/**
 * @param joint holder and shank; bore and shank below 50 mm
 * @param wantedTorqueNm greatest torque of the job, or null when it is not known
 */
export function shrinkSetup(
  joint: ShrinkJoint,
  practice: ShrinkPractice,
  wantedTorqueNm: number | null,
): Result<ShrinkSetup, ShrinkError> {
  const shankSize = shankLimits(joint.shankMm, joint.shankClass)
  if (!shankSize.ok) return shankSize
  if (joint.shankClass !== 'h5' && joint.shankClass !== 'h6')
    return fail({ code: 'SHANK_TOO_COARSE', shankClass: joint.shankClass })
  const interferenceMm = { min: shankSize.value.min - joint.bore.max, max: shankSize.value.max - joint.bore.min }
  if (interferenceMm.min <= 0) return fail({ code: 'NO_INTERFERENCE', leastMm: interferenceMm.min })
  const sleeve: Material = practice.materials[joint.holderMaterial]
  const shank: Material = practice.materials[joint.shankMaterial]
  const clearanceMm = slidingClearanceMm(joint.shankMm)
  const riseK = insertionRiseK(interferenceMm.max, clearanceMm, joint.shankMm, sleeve)
  const temperatureC = practice.ambientC + riseK
  if (temperatureC > joint.greatestC) return fail({ code: 'TOO_HOT', neededC: temperatureC, limitC: joint.greatestC })
  const fit = { d: joint.shankMm, D: joint.noseMm, shankBore: joint.coolantBoreMm, sleeve, shank }
  const stressMPa = sleeveStress(fit, contactPressure(fit, interferenceMm.max)).vonMisesAtBore
  if (stressMPa > joint.yieldMPa) return fail({ code: 'OVERSTRESSED', stressMPa, yieldMPa: joint.yieldMPa })
  // the heated part as a cylinder of the cone's middle diameter
  const middleD = joint.noseMm + Math.tan(joint.noseHalfAngleRad) * joint.heatedMm
  const nose = { d: joint.shankMm, D: middleD, heatedMm: joint.heatedMm, sleeve }
  const shankHeat =
    (shank.rho * shank.c * Math.PI * (joint.shankMm ** 2 - joint.coolantBoreMm ** 2) * Math.min(joint.gripMm, joint.heatedMm)) / 4
  const tauOf = (way: CoolingWay) => coolingTauS(nose, { h: practice.coolingH[way], ambientC: practice.ambientC }, shankHeat)
  const taus = { contact: tauOf('contact'), cycle: tauOf('cycle'), air: tauOf('air') }
  const tauS = taus.contact
  const warmed = joint.shankMaterial === 'carbide' ? practice.warmedShare.carbide : practice.warmedShare.steel
  const removalC = practice.ambientC + removalRiseK(interferenceMm.max, clearanceMm, joint.shankMm, sleeve, shank, warmed)
  const torque = (interference: number) => coneSlipTorqueNm(fit, interference, joint.gripMm, practice.mu, joint.noseHalfAngleRad)
  const pull = (interference: number) => slipForceN(contactPressure(fit, interference), joint.shankMm, joint.gripMm, practice.mu)
  const gripTorqueNm = { min: torque(interferenceMm.min), max: torque(interferenceMm.max) }
  const bound = shrinkBackMm(joint.heatedMm, riseK, sleeve)
  const notes: ShrinkNote[] = []
  if (joint.shankMaterial !== 'carbide') notes.push({ code: 'STEEL_SHANK' })
  if (removalC > joint.greatestC) notes.push({ code: 'NOT_OUT_AGAIN', neededC: removalC, limitC: joint.greatestC })
  if (wantedTorqueNm !== null && gripTorqueNm.min < wantedTorqueNm)
    notes.push({ code: 'TORQUE_LOW', worstNm: gripTorqueNm.min, wantedNm: wantedTorqueNm })
  return ok({
    interferenceMm,
    temperatureC,
    leastC: practice.ambientC + insertionRiseK(interferenceMm.max, 0, joint.shankMm, sleeve),
    heatingS: Math.max(heatingTimeS(nose, riseK, practice.powerW, practice.efficiency), wallTimeS(nose)),
    touchS: coolingTimeS(tauS, temperatureC, practice.touchC, practice.ambientC),
    measureS: coolingTimeS(tauS, temperatureC, practice.measureC, practice.ambientC),
    tauS,
    taus,
    removalC,
    stopHighMm: bound * practice.shrinkBackShare,
    shrinkBackBoundMm: bound,
    gripTorqueNm,
    pullOutN: { min: pull(interferenceMm.min), max: pull(interferenceMm.max) },
    stressMPa,
    stressShare: stressMPa / joint.yieldMPa,
    notes,
  })
}

/** How much too long a tool reads `seconds` after its heat, mm, at most. */
export const warmExcessMm = (heatedMm: number, fromC: number, ambientC: number, tauS: number, seconds: number): number =>
  shrinkBackMm(heatedMm, temperatureAt(tauS, fromC, ambientC, seconds) - ambientC, MATERIALS['hot-work steel'])
