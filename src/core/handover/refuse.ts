/** What speaks against a hand-over: refused here already, not at the machine. */
import type { Verdict } from '../measure'
import { COUPLINGS, tableOf, type Coupling, type Machine } from '../tool'
import { formatLength, unitMark } from '../units'
import { registerNumber } from './values'

export type HandoverRefusal =
  | { readonly code: 'NOT_MEASURED' }
  | { readonly code: 'OFF' }
  | { readonly code: 'UNSURE' }
  | { readonly code: 'NO_T' }
  | { readonly code: 'NO_MACHINE' }
  | { readonly code: 'WRONG_TAPER'; readonly has: string; readonly needs: string }
  | { readonly code: 'WRONG_MACHINE'; readonly machine: string; readonly allowed: readonly string[] }
  | { readonly code: 'LENGTH_RANGE'; readonly lengthMm: number; readonly machine: Machine }
  | { readonly code: 'RADIUS_RANGE'; readonly radiusMm: number; readonly machine: Machine }
  /** The machine's rows go by pocket or by a table, and this tool has none. */
  | { readonly code: 'NO_REGISTER'; readonly t: number; readonly machine: Machine }
  | { readonly code: 'POCKET_RANGE'; readonly pocket: number; readonly machine: Machine }
  | { readonly code: 'REGISTER_RANGE'; readonly t: number; readonly machine: Machine }

/** A lead may release these with a reason; nobody the others. */
export const leadMayOverrule = (refusal: HandoverRefusal): boolean => refusal.code === 'UNSURE'

export interface HandoverCase {
  readonly machine: Machine | null
  readonly t: number | null
  /** Where it is to stand; null while nobody said. */
  readonly pocket?: number | null
  readonly coupling: Coupling
  /** Machines of the definition; null without one. */
  readonly allowed: readonly string[] | null
  readonly measured: { readonly lengthMm: number; readonly radiusMm: number; readonly verdict: Verdict | null } | null
}

export function refuseHandover({ machine, t, pocket = null, coupling, allowed, measured }: HandoverCase): HandoverRefusal[] {
  const found: HandoverRefusal[] = []
  if (!measured) found.push({ code: 'NOT_MEASURED' })
  else if (measured.verdict === 'off') found.push({ code: 'OFF' })
  else if (measured.verdict === 'unsure') found.push({ code: 'UNSURE' })
  if (t === null) found.push({ code: 'NO_T' })
  if (!machine) {
    found.push({ code: 'NO_MACHINE' })
    return found
  }
  if (machine.coupling !== coupling) found.push({ code: 'WRONG_TAPER', has: coupling, needs: machine.coupling })
  if (pocket !== null && (pocket < 1 || pocket > machine.pockets)) found.push({ code: 'POCKET_RANGE', pocket, machine })
  if (allowed && !allowed.includes(machine.key)) found.push({ code: 'WRONG_MACHINE', machine: machine.name, allowed })
  if (t !== null) {
    const register = registerNumber({ t, pocket }, machine)
    if (register === null) found.push({ code: 'NO_REGISTER', t, machine })
    else if (register < machine.registers.min || register > machine.registers.max)
      found.push({ code: 'REGISTER_RANGE', t, machine })
  }
  if (measured) {
    const { lengthMm, radiusMm } = measured
    if (lengthMm < machine.lengthMm.min || lengthMm > machine.lengthMm.max)
      found.push({ code: 'LENGTH_RANGE', lengthMm, machine })
    if (radiusMm < machine.radiusMm.min || radiusMm > machine.radiusMm.max)
      found.push({ code: 'RADIUS_RANGE', radiusMm, machine })
  }
  return found
}

export function handoverRefusalText(r: HandoverRefusal): string {
  const size = (mm: number, machine: Machine) => `${formatLength(mm, machine.unit, machine.decimals)} ${unitMark(machine.unit)}`
  switch (r.code) {
    case 'NOT_MEASURED':
      return 'Not measured yet. Measure it first.'
    case 'OFF':
      return 'Its last measurement is off. Correct the tool and measure it again.'
    case 'UNSURE':
      return 'Its last measurement is too near a limit to call. Measure it again, or a lead releases it with a reason.'
    case 'NO_T':
      return 'It has no T number yet. Give it one.'
    case 'NO_MACHINE':
      return 'It has no machine yet. Choose one.'
    case 'WRONG_TAPER':
      return `Its taper is ${r.has} (${COUPLINGS[r.has as Coupling]?.standard ?? ''}), the machine takes ${r.needs}.`
    case 'WRONG_MACHINE':
      return `It may not go to ${r.machine}: its definition allows ${r.allowed.join(', ')}.`
    case 'LENGTH_RANGE':
      return `${r.machine.name} takes lengths from ${size(r.machine.lengthMm.min, r.machine)} to ${size(r.machine.lengthMm.max, r.machine)}; this tool is ${size(r.lengthMm, r.machine)}.`
    case 'RADIUS_RANGE':
      return `${r.machine.name} takes radii from ${size(r.machine.radiusMm.min, r.machine)} to ${size(r.machine.radiusMm.max, r.machine)}; this tool has ${size(r.radiusMm, r.machine)}.`
    case 'NO_REGISTER':
      return tableOf(r.machine).numberFrom === 'pocket'
        ? `${r.machine.name} numbers its registers by pocket, and T${r.t} has no pocket yet. Give it one.`
        : `${r.machine.name} has no register for T${r.t} in its table of numbers. Enter one in its options.`
    case 'POCKET_RANGE':
      return `${r.machine.name} has pockets 1 to ${r.machine.pockets}; there is no pocket ${r.pocket}.`
    case 'REGISTER_RANGE':
      return `${r.machine.name} has registers ${r.machine.registers.min} to ${r.machine.registers.max}; T${r.t} has none.`
  }
}
