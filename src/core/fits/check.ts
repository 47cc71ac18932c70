/** Whether these parts make that tool for those machines: every reason against it, and what it would be. */
import { COLLET_RATED_NM, heldTorqueNm, shrinkSetup, type ShrinkJoint, type ShrinkPractice, type ShrinkSetup } from '../clamp'
import {
  factsOf,
  type Couplings,
  numberOf,
  roleOf,
  valueOf,
  type Component,
  type Definition,
  type Machine,
  type ShrinkExtension,
  type ShrinkHolder,
} from '../tool'
import { degToRad } from '../units'
import { fitsCarrier, fitsCollet, fitsColletHolder, fitsSeat, fitsStud } from './pair'
import type { Refusal } from './refusal'
import { carrierOf, partIn, stackUp, type StackPart, type StackUp } from './stack'

export interface Checked {
  readonly refusals: readonly Refusal[]
  /** What does not forbid it but should be known. */
  readonly notes: readonly Refusal[]
  readonly stack: StackUp | null
  /** Where the clamping is a shrink fit and can be made. */
  readonly shrink: ShrinkSetup | null
}

export const isShrink = (part: Component | null): part is ShrinkHolder | ShrinkExtension =>
  part?.kind === 'shrink-holder' || part?.kind === 'shrink-extension'

/** Parts in the order in which each carries the next: holder, extensions, cutter. */
export function chainOf(parts: readonly StackPart[]): Component[] {
  const of = (role: ReturnType<typeof roleOf>) => parts.filter((p) => roleOf(p.component) === role).map((p) => p.component)
  return [...of('holder'), ...of('extension'), ...of('cutter')]
}

export function jointOf(carrier: ShrinkHolder | ShrinkExtension, upper: Component, depthMm: number): ShrinkJoint {
  const solid = 'shankClass' in upper ? upper : null
  return {
    bore: { min: carrier.boreMin, max: carrier.boreMax },
    noseMm: carrier.BD,
    noseHalfAngleRad: degToRad(carrier.coneDeg),
    heatedMm: carrier.heatedMm,
    holderMaterial: 'hot-work steel',
    greatestC: carrier.greatestC,
    yieldMPa: carrier.yieldMPa,
    shankMm: numberOf(upper, 'DMM') ?? 0,
    shankClass: solid?.shankClass ?? 'h7',
    shankMaterial: solid?.shankMaterial === 'HSS' ? 'HSS' : solid?.shankMaterial === 'steel' ? 'hot-work steel' : 'carbide',
    coolantBoreMm: numberOf(upper, 'coolantBoreMm') ?? 0,
    gripMm: Math.max(0, depthMm),
  }
}

/** How much of the check is wanted: for thousands of candidates only what their place in the tool can change. */
export interface Depth {
  readonly drawn: boolean
  readonly shrink: boolean
}

/**
 * @param machines that the tool shall go into; an empty list asks nothing of a machine
 * @param practice what the shop's shrink unit does
 */
export function checkTool(
  definition: Definition,
  parts: readonly StackPart[],
  machines: readonly Machine[],
  practice: ShrinkPractice,
  couplings: Couplings,
  depth: Depth = { drawn: true, shrink: true },
): Checked {
  const refusals: Refusal[] = []
  const notes: Refusal[] = []
  const holder = partIn(parts, 'holder')
  const cutter = partIn(parts, 'cutter')
  if (!holder) refusals.push({ code: 'NO_PART', role: 'holder' })
  if (!cutter) refusals.push({ code: 'NO_PART', role: 'cutter' })
  const stack = stackUp(parts, definition.LF.nominal, couplings, depth.drawn)
  if (!holder || !cutter || !stack) return { refusals, notes, stack, shrink: null }
  refusals.push(
    ...checkMachineSide(holder, partIn(parts, 'stud'), machines, couplings),
    ...checkChain(parts),
    ...checkCutter(definition, parts),
  )
  refusals.push(...checkLengths(definition, stack))
  for (const machine of machines) refusals.push(...checkMachine(machine, stack))
  if (stack.greatestRpm !== null && definition.programRpm > stack.greatestRpm)
    refusals.push({
      code: 'TOO_FAST',
      programRpm: definition.programRpm,
      greatestRpm: stack.greatestRpm,
      part: stack.slowestPart,
    })
  const holdsNm = holdingNm(holder, partIn(parts, 'nut'), practice.tightenNm)
  if (definition.torqueNm !== null && holdsNm !== undefined && holdsNm < definition.torqueNm)
    notes.push({ code: 'TORQUE_LOW', part: holder.name, holdsNm, wantedNm: definition.torqueNm })
  const carrier = carrierOf(parts)
  if (!depth.shrink || !isShrink(carrier) || stack.depthMm === null || refusals.some((r) => r.code === 'WRONG_BORE'))
    return { refusals, notes, stack, shrink: null }
  const setup = shrinkSetup(jointOf(carrier, cutter, stack.depthMm), practice, definition.torqueNm)
  if (!setup.ok) refusals.push({ code: 'SHRINK', error: setup.error })
  return { refusals, notes, stack, shrink: setup.ok ? setup.value : null }
}

/** What a nut is tightened with: as its maker says, but no more than the spindle takes in which it is done. */
export const nutTorqueNm = (nut: Component, tightenNm: number): number | undefined => {
  const own = numberOf(nut, 'TQ')
  return own === undefined ? undefined : Math.min(own, tightenNm)
}

/** What the holder passes on: a collet holder by how its nut is really tightened. */
function holdingNm(holder: Component, nut: Component | null, tightenNm: number): number | undefined {
  const rated = numberOf(holder, 'TQX')
  const nutNm = nut ? nutTorqueNm(nut, tightenNm) : undefined
  const ratedNut = nut ? COLLET_RATED_NM[numberOf(nut, 'colletSize') ?? 0] : undefined
  const double = nut !== null && valueOf(nut, 'colletSystem') === 'ISO 15488'
  return rated !== undefined && nutNm !== undefined && ratedNut !== undefined && double
    ? heldTorqueNm(rated, ratedNut, nutNm)
    : rated
}

function checkMachineSide(
  holder: Component,
  stud: Component | null,
  machines: readonly Machine[],
  couplings: Couplings,
): Refusal[] {
  if (!('CCMS' in holder)) return [{ code: 'NO_PART', role: 'holder' }]
  const refusals: Refusal[] = []
  const wrong = machines.find((m) => m.coupling !== holder.CCMS)
  if (wrong) refusals.push({ code: 'WRONG_TAPER', has: holder.CCMS, needs: wrong.coupling })
  if (!factsOf(couplings, holder.CCMS).stud) return refusals
  if (!stud) return [...refusals, { code: 'NO_STUD', coupling: holder.CCMS }]
  return [...refusals, ...fitsStud(holder.CCMS, stud, [...new Set(machines.flatMap((m) => m.studForms))])]
}

/** Each part in what carries it, the collet and nut of a collet holder among them. */
function checkChain(parts: readonly StackPart[]): Refusal[] {
  const chain = chainOf(parts)
  const refusals = chain.slice(1).flatMap((upper, i) => fitsCarrier(chain[i], upper))
  const carrier = chain[chain.length - 2]
  if (carrier?.kind !== 'collet-holder') return refusals
  const collet = partIn(parts, 'collet')
  const nut = partIn(parts, 'nut')
  const shankMm = numberOf(chain[chain.length - 1], 'DMM')
  return [
    ...refusals,
    ...(collet ? fitsColletHolder(carrier, collet) : [{ code: 'NO_PART', role: 'collet' } as const]),
    ...(nut ? fitsColletHolder(carrier, nut) : [{ code: 'NO_PART', role: 'nut' } as const]),
    ...(collet && shankMm !== undefined ? fitsCollet(collet, shankMm) : []),
  ]
}

function checkCutter(definition: Definition, parts: readonly StackPart[]): Refusal[] {
  const cutter = partIn(parts, 'cutter')!
  const insertLine = parts.find((p) => p.component.kind === 'insert')
  const refusals: Refusal[] = []
  const DC = numberOf(cutter, 'DC')
  if (
    DC !== undefined &&
    (DC < (definition.regroundDC ?? definition.DC.nominal + definition.DC.lower) ||
      DC > definition.DC.nominal + definition.DC.upper)
  )
    refusals.push({ code: 'WRONG_DIAMETER', hasMm: DC, needsMm: definition.DC.nominal })
  const seats = numberOf(cutter, 'CICT')
  if (seats !== undefined && !insertLine) refusals.push({ code: 'NO_PART', role: 'insert' })
  if (insertLine) refusals.push(...fitsSeat(cutter, insertLine.component, insertLine.count))
  const screw = partIn(parts, 'screw')
  if (screw && valueOf(screw, 'SSC') !== undefined) refusals.push(...fitsSeat(cutter, screw, null))
  const RE = insertLine ? numberOf(insertLine.component, 'RE') : numberOf(cutter, 'RE')
  if (
    definition.RE &&
    RE !== undefined &&
    (RE < definition.RE.nominal + definition.RE.lower || RE > definition.RE.nominal + definition.RE.upper)
  )
    refusals.push({ code: 'WRONG_NOSE_RADIUS', hasMm: RE, needsMm: definition.RE.nominal })
  return refusals
}

function checkLengths(definition: Definition, stack: StackUp): Refusal[] {
  const refusals: Refusal[] = []
  const { depthMm, depthLimitsMm, flutesInMm, LF, clearMm, clearPart } = stack
  if (depthMm !== null && depthLimitsMm) {
    if (depthMm < depthLimitsMm.min) refusals.push({ code: 'TOO_SHALLOW', depthMm, leastMm: depthLimitsMm.min })
    if (depthMm > depthLimitsMm.max) refusals.push({ code: 'TOO_DEEP', depthMm, greatestMm: depthLimitsMm.max })
  }
  if (flutesInMm > 0) refusals.push({ code: 'FLUTES_IN_BORE', byMm: flutesInMm })
  const { nominal, lower, upper } = definition.LF
  if (LF < nominal + lower - 1e-9 || LF > nominal + upper + 1e-9)
    refusals.push({ code: 'LENGTH_OFF', wouldMm: LF, wantedMm: nominal })
  if (stack.profile && definition.reachMm !== null && clearMm < definition.reachMm)
    refusals.push({ code: 'REACH_TOO_SHORT', clearMm, reachMm: definition.reachMm, part: clearPart })
  return refusals
}

function checkMachine(machine: Machine, stack: StackUp): Refusal[] {
  const refusals: Refusal[] = []
  if (stack.LF > machine.lengthMm.max) refusals.push({ code: 'TOO_LONG', LF: stack.LF, greatestMm: machine.lengthMm.max })
  if (machine.greatestKg !== null && stack.massKg > machine.greatestKg)
    refusals.push({ code: 'TOO_HEAVY', massKg: stack.massKg, greatestKg: machine.greatestKg })
  return refusals
}

/** The name of how the cutter is held, for the steps of the build. */
export function clampingOf(parts: readonly StackPart[]): Clamping | null {
  const carrier = carrierOf(parts)
  const collet = partIn(parts, 'collet')
  if (!carrier) return null
  switch (carrier.kind) {
    case 'shrink-holder':
    case 'shrink-extension':
      return 'shrink'
    case 'collet-holder':
      return collet?.kind === 'collet' && collet.colletSystem === 'single size' ? 'single-size collet' : 'collet'
    case 'hydraulic-holder':
      return 'hydraulic'
    case 'side-lock-holder':
      return 'side-lock'
    case 'shell-arbor':
      return 'arbor'
    case 'screw-in-holder':
      return 'screw-in'
    case 'modular-holder':
    case 'module-extension':
      return 'boring'
    case 'drill-chuck':
      return 'drill chuck'
    case 'turning-holder':
      return 'turning'
    default:
      return null
  }
}

export const CLAMPINGS = [
  'shrink',
  'collet',
  'single-size collet',
  'hydraulic',
  'side-lock',
  'arbor',
  'screw-in',
  'boring',
  'drill chuck',
  'turning',
] as const
export type Clamping = (typeof CLAMPINGS)[number]
