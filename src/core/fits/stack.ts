/** How the parts stack up: lengths, depth in the bore, mass and its centre, the speed that the weakest part allows. */
import { leastInsertionMm } from '../clamp'
import { noseHeight, numberOf, profileOf, roleOf, volumeCentre, type Component, type Couplings, type ToolProfile } from '../tool'
import type { Limits } from '../units'

/** A part in a tool and how many of it. */
export interface StackPart {
  readonly component: Component
  readonly count: number
}

export interface StackUp {
  /** Gauge line to the face of the last nose, nose to tip, gauge line to tip; mm. */
  readonly noseMm: number
  readonly stickOutMm: number
  readonly LF: number
  /** Depth of the shank; null where the cutter has none. */
  readonly depthMm: number | null
  readonly depthLimitsMm: Limits | null
  /** Flutes in the bore by so much; 0 when none. */
  readonly flutesInMm: number
  /** Tip to the first part that is wider than the cut, and which part that is. */
  readonly clearMm: number
  readonly clearPart: string
  readonly massKg: number
  /** Mass centre over the gauge line, mm. */
  readonly centreMm: number
  /** Smallest of all parts, and whose it is; null when no part says. */
  readonly greatestRpm: number | null
  readonly slowestPart: string
  readonly profile: ToolProfile | null
}

export const partIn = (parts: readonly StackPart[], role: ReturnType<typeof roleOf>): Component | null =>
  parts.find((p) => roleOf(p.component) === role)?.component ?? null

/** What the cutter is held by: the last extension, or the holder. */
export function carrierOf(parts: readonly StackPart[]): Component | null {
  const extensions = parts.filter((p) => roleOf(p.component) === 'extension')
  return extensions.at(-1)?.component ?? partIn(parts, 'holder')
}

/** A cutter with a shank is set to the wanted length; one that is screwed on has its own. */
const isSet = (cutter: Component): boolean => numberOf(cutter, 'DMM') !== undefined

/**
 * @param parts in any order; extensions from the spindle outwards
 * @param wantedMm aimed LF
 * @param drawn whether the outline is wanted: clear length and mass centre come from it, and most of the time goes into it
 * @returns null without a holder and a cutter
 */
export function stackUp(parts: readonly StackPart[], wantedMm: number, couplings: Couplings, drawn = true): StackUp | null {
  const holder = partIn(parts, 'holder')
  const cutter = partIn(parts, 'cutter')
  const carrier = carrierOf(parts)
  if (!holder || !cutter || !carrier) return null
  const extensions = parts.filter((p) => roleOf(p.component) === 'extension').map((p) => p.component)
  const noseMm = noseHeight([holder, ...extensions])
  const LF = isSet(cutter) ? wantedMm : noseMm + ownLength(cutter)
  const stickOutMm = LF - noseMm
  const OAL = numberOf(cutter, 'OAL')
  const depthMm = isSet(cutter) && OAL !== undefined ? OAL - stickOutMm : null
  const profile = drawn
    ? profileOf(
        parts.map((p) => p.component),
        LF,
        couplings,
      )
    : null
  const clear = clearLength(profile, LF)
  const slowest = slowestOf(parts)
  return {
    noseMm,
    stickOutMm,
    LF,
    depthMm,
    depthLimitsMm: depthMm === null ? null : depthLimits(carrier, partIn(parts, 'collet')),
    flutesInMm: depthMm === null ? 0 : Math.max(0, (numberOf(cutter, 'LCF') ?? 0) - stickOutMm),
    ...clear,
    ...massOf(parts, profile, LF),
    greatestRpm: slowest?.rpm ?? null,
    slowestPart: slowest?.name ?? '',
    profile,
  }
}

const ownLength = (cutter: Component): number => numberOf(cutter, 'LF') ?? numberOf(cutter, 'LH') ?? 0

/** Least and greatest depth of the shank for what holds it. */
export function depthLimits(carrier: Component, collet: Component | null): Limits | null {
  const max = numberOf(carrier, 'LSCX')
  if (max === undefined) return null
  const colletMm = collet ? numberOf(collet, 'OAL') : undefined
  return { min: colletMm === undefined ? (numberOf(carrier, 'LSCN') ?? 0) : leastInsertionMm(colletMm), max }
}

const CLEAR_TOLERANCE_MM = 0.01

function clearLength(profile: ToolProfile | null, LF: number): { clearMm: number; clearPart: string } {
  if (!profile) return { clearMm: 0, clearPart: '' }
  const wide = profile.cutRadiusMm + CLEAR_TOLERANCE_MM
  for (const part of [...profile.parts].reverse()) {
    if (part.part === 'cut') continue
    for (let i = part.points.length - 1; i > 0; i--) {
      const [r2, z2] = part.points[i]
      const [r1, z1] = part.points[i - 1]
      if (r2 > wide) return { clearMm: LF - z2, clearPart: part.of }
      if (r1 > wide) return { clearMm: LF - (z2 - ((z2 - z1) * (wide - r2)) / (r1 - r2)), clearPart: part.of }
    }
  }
  return { clearMm: LF, clearPart: 'spindle' }
}

function massOf(parts: readonly StackPart[], profile: ToolProfile | null, LF: number): { massKg: number; centreMm: number } {
  let massKg = 0
  let moment = 0
  for (const { component, count } of parts) {
    const mass = (numberOf(component, 'WT') ?? 0) * count
    massKg += mass
    moment += mass * centreOf(component, profile, LF)
  }
  return { massKg, centreMm: massKg > 0 ? moment / massKg : 0 }
}

/** Centre of one part over the gauge line, from its drawn outline as a solid of one density. */
function centreOf(part: Component, profile: ToolProfile | null, LF: number): number {
  const role = roleOf(part)
  const of = role === 'collet' ? 'nut' : role === 'stud' ? 'holder' : role === 'insert' || role === 'screw' ? 'cutter' : role
  if (role === 'stud') return profile?.lowMm ?? 0
  if (role === 'insert' || role === 'screw') return LF - 2
  let volume = 0
  let moment = 0
  for (const { points, of: whose } of profile?.parts ?? []) {
    if (whose !== of) continue
    const [v, z] = volumeCentre(points)
    volume += v
    moment += v * z
  }
  return volume > 0 ? moment / volume : LF / 2
}

function slowestOf(parts: readonly StackPart[]): { rpm: number; name: string } | null {
  let slowest: { rpm: number; name: string } | null = null
  for (const { component } of parts) {
    const rpm = numberOf(component, 'RPMX')
    if (rpm !== undefined && (!slowest || rpm < slowest.rpm)) slowest = { rpm, name: component.name }
  }
  return slowest
}
