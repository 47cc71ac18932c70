/** What speaks against a hand-over: refused here already, not at the machine. */
import type { Verdict } from '../judge'
import { isTip, type Condition, type Coupling, type Machine } from '../tool'
import { registerNumber } from './values'

export type HandoverRefusal =
  | { readonly code: 'NOT_MEASURED' }
  | { readonly code: 'OFF' }
  | { readonly code: 'UNSURE' }
  /** Worn or broken: no measurement makes it fit again. */
  | { readonly code: 'CONDITION'; readonly condition: Exclude<Condition, 'fit'> }
  /** Its holder was dropped, and nobody has inspected it since. */
  | { readonly code: 'FALLEN' }
  | { readonly code: 'NO_T' }
  | { readonly code: 'NO_MACHINE' }
  | { readonly code: 'WRONG_TAPER'; readonly has: Coupling; readonly needs: Coupling }
  | { readonly code: 'WRONG_MACHINE'; readonly machine: string; readonly allowed: readonly string[] }
  | { readonly code: 'LENGTH_RANGE'; readonly lengthMm: number; readonly machine: Machine }
  | { readonly code: 'RADIUS_RANGE'; readonly radiusMm: number; readonly machine: Machine }
  /** The machine's rows go by pocket or by a table, and this tool has none. */
  | { readonly code: 'NO_REGISTER'; readonly t: number; readonly machine: Machine }
  | { readonly code: 'POCKET_RANGE'; readonly pocket: number; readonly machine: Machine }
  | { readonly code: 'REGISTER_RANGE'; readonly t: number; readonly register: number; readonly machine: Machine }
  /** Stations of the turret are off by different amounts, and nobody said which one it goes into. */
  | { readonly code: 'STATION_UNSAID'; readonly machine: Machine }
  /** Nobody said where the tip of a turning tool points. */
  | { readonly code: 'NO_TIP' }
  /** It was seen on the bench to point elsewhere. */
  | { readonly code: 'TIP_DIFFERS'; readonly said: number; readonly seen: number }
  | ({ readonly code: 'OFFSET_DIFFERS' } & OffsetCall)

/** A program that calls a tool with another offset than the one it is written to. */
export interface OffsetCall {
  readonly t: number
  readonly job: string
  readonly program: string
  readonly word: 'H' | 'D' | 'offset'
  readonly called: number
  /** The register that is really written. */
  readonly register: number
}

/** A lead may release these with a reason, *out of tolerance* as a concession; nobody the others. */
export const leadMayOverrule = ({ code }: HandoverRefusal): boolean =>
  code === 'UNSURE' || code === 'OFF' || code === 'OFFSET_DIFFERS'

/** How an open job's program calls a T. */
export interface ProgramCall {
  readonly job: string
  readonly program: string
  readonly h: readonly number[]
  readonly d: readonly number[]
}

export interface HandoverCase {
  readonly machine: Machine | null
  readonly t: number | null
  /** Where it is to stand; null while nobody said. */
  readonly pocket?: number | null
  readonly sister?: number
  readonly coupling: Coupling
  readonly condition: Condition
  /** Dropped and not inspected since. */
  readonly fallen?: boolean
  /** Machines of the definition; null without one. */
  readonly allowed: readonly string[] | null
  readonly measured: { readonly lengthMm: number; readonly radiusMm: number; readonly verdict: Verdict | null } | null
  /** Whether it turns. */
  readonly turning: boolean
  readonly tip: number | null
  /** As the bench saw it, in the machine's axes; null where it saw none. */
  readonly seenTip?: number | null
  /** Programs of the machine's open jobs that want this T. */
  readonly calls: readonly ProgramCall[]
}

/**
 * Every program that calls this T with another offset than the register that is written for it. A sister is called with the
 * offset of the first tool, which the control replaces.
 */
export function offsetCalls(calls: readonly ProgramCall[], t: number, pocket: number | null, machine: Machine): OffsetCall[] {
  const register = registerNumber({ t, pocket }, machine)
  if (register === null) return []
  const lathe = machine.kind === 'lathe'
  return calls.flatMap(({ job, program, h, d }) => {
    const of = (word: OffsetCall['word'], numbers: readonly number[]) =>
      numbers.filter((n) => n !== register).map((called) => ({ t, job, program, word, called, register }))
    return lathe ? of('offset', h) : [...of('H', h), ...of('D', d)]
  })
}

export function refuseHandover(c: HandoverCase): HandoverRefusal[] {
  const { machine, t, pocket = null, measured } = c
  const found: HandoverRefusal[] = []
  if (c.condition !== 'fit') found.push({ code: 'CONDITION', condition: c.condition })
  if (c.fallen) found.push({ code: 'FALLEN' })
  if (!measured) found.push({ code: 'NOT_MEASURED' })
  else if (measured.verdict === 'off') found.push({ code: 'OFF' })
  else if (measured.verdict === 'unsure') found.push({ code: 'UNSURE' })
  if (t === null) found.push({ code: 'NO_T' })
  if (!machine) {
    found.push({ code: 'NO_MACHINE' })
    return found
  }
  if (machine.coupling !== c.coupling) found.push({ code: 'WRONG_TAPER', has: c.coupling, needs: machine.coupling })
  if (pocket !== null && (pocket < 1 || pocket > machine.pockets)) found.push({ code: 'POCKET_RANGE', pocket, machine })
  if (machine.kind === 'lathe' && pocket === null && Object.keys(machine.stations ?? {}).length > 0)
    found.push({ code: 'STATION_UNSAID', machine })
  if (c.allowed && !c.allowed.includes(machine.key))
    found.push({ code: 'WRONG_MACHINE', machine: machine.name, allowed: c.allowed })
  if (machine.kind === 'lathe' && c.turning) found.push(...refuseTip(c))
  if (t !== null) {
    const register = registerNumber({ t, pocket, sister: c.sister }, machine)
    if (register === null) found.push({ code: 'NO_REGISTER', t, machine })
    else if (register < machine.registers.min || register > machine.registers.max)
      found.push({ code: 'REGISTER_RANGE', t, register, machine })
    found.push(...offsetCalls(c.calls, t, pocket, machine).map((call) => ({ code: 'OFFSET_DIFFERS', ...call }) as const))
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

/** The nose's centre, 9, cannot be seen: it may be chosen for any tool. */
function refuseTip({ tip, seenTip = null }: HandoverCase): HandoverRefusal[] {
  if (!isTip(tip)) return [{ code: 'NO_TIP' }]
  return seenTip !== null && tip !== 9 && tip !== seenTip ? [{ code: 'TIP_DIFFERS', said: tip, seen: seenTip }] : []
}
