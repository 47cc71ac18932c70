/** What is looked at before a tool goes into a machine, each as a rule of its own with its sentence and who may overrule it. */
import {
  isTyped,
  tableOf,
  limitsOf,
  pocketText,
  SPINDLE,
  type Condition,
  type Coupling,
  type LoadRule,
  type Machine,
  type MayOverrule,
} from '../tool'
import { formatLength, unitMark } from '../units'
import type { Verdict } from '../measure'
import type { HeldRow } from '../handover'
import type { MachineState } from './state'
import type { Standing } from './pocket'

/** What is known of the tool, its hand-over and its machine when it is to go in. Lengths mm, masses kg. */
export interface LoadCase {
  readonly machine: Machine
  readonly tool: {
    readonly serial: string
    readonly t: number
    readonly coupling: Coupling
    readonly condition: Condition
    /** null where there is none, or nobody knows it. */
    readonly stud: { readonly form: string; readonly tooOld: boolean } | null
    readonly lengthMm: number
    /** Largest radius over the gauge line, cutter and body. */
    readonly widestMm: number
    /** null when a part has no mass. */
    readonly massKg: number | null
    /** The slowest part's speed; null when no part says. */
    readonly greatestRpm: number | null
    readonly balanced: boolean
  }
  readonly measured: { readonly at: string; readonly verdict: Verdict | null } | null
  /** Key and name of the machine its hand-over names. */
  readonly madeFor: { readonly key: string; readonly name: string }
  /** Open jobs of this machine that want its T. */
  readonly jobs: readonly {
    readonly id: string
    readonly maxSpindle: number | null
    readonly programs: readonly { readonly name: string; readonly hash: string }[]
  }[]
  /** Where it is to stand; SPINDLE by hand, null when there is no room. */
  readonly pocket: number | null
  /** The one its hand-over names; null when it names none. */
  readonly givenPocket: number | null
  /** What stands in that pocket already. */
  readonly inPocket: Standing | null
  /** Neighbours it would touch. */
  readonly touches: readonly Standing[]
  /** Where the same T stands in this machine already. */
  readonly sameT: { readonly pocket: number; readonly serial: string | null } | null
  /** null: the control does not answer. */
  readonly state: MachineState | null
  /** Its row in the control's table now; null when nobody knows. */
  readonly row: HeldRow | null
  readonly register: number
  /** Whether the row holds what an emptied one does, or nothing. */
  readonly rowIsEmpty: boolean
  /** Whether the row holds this tool's figures already: it was written, and the load was interrupted. */
  readonly rowIsOurs: boolean
  /** Whether this load sent its figures before and broke off: whatever stands there is its own. */
  readonly sent: boolean
  readonly now: string
}

export interface LoadFinding {
  readonly rule: LoadRule
  /** `asks` may be overruled by `may`; `told` stops nothing. */
  readonly state: 'holds' | 'told' | 'asks' | 'refused'
  readonly text: string
  readonly may: MayOverrule
}

/** Who may overrule what, where a machine says nothing else. */
const USUAL_MAY: Readonly<Record<LoadRule, MayOverrule>> = {
  control: 'nobody',
  'right-machine': 'nobody',
  taper: 'nobody',
  stud: 'nobody',
  condition: 'nobody',
  wanted: 'anyone',
  program: 'nobody',
  measured: 'lead',
  balance: 'anyone',
  speed: 'nobody',
  mass: 'lead',
  length: 'nobody',
  diameter: 'nobody',
  pocket: 'nobody',
  neighbours: 'nobody',
  'register-idle': 'nobody',
  'one-t': 'nobody',
  'register-empty': 'anyone',
}

/** Rules that a machine may make milder than they are; the others hurt somebody or break something. */
export const MAY_BE_SET: readonly LoadRule[] = ['wanted', 'measured', 'balance', 'mass', 'register-empty']

export const mayOverrule = (rule: LoadRule, machine: Machine): MayOverrule =>
  (MAY_BE_SET.includes(rule) ? limitsOf(machine).may[rule] : undefined) ?? USUAL_MAY[rule]

const DAY_MS = 24 * 3600 * 1000
const rpm = (n: number) => `${n.toLocaleString('en')} rev/min`
const kg = (n: number) => `${n.toFixed(1)} kg`

/** Every rule that applies, in the order they are looked at. */
export function loadRules(c: LoadCase): LoadFinding[] {
  const { machine, tool, state } = c
  const limits = limitsOf(machine)
  const byHand = c.pocket === SPINDLE
  const found: LoadFinding[] = []
  const size = (mm: number) => `${formatLength(mm, machine.unit, machine.decimals)} ${unitMark(machine.unit)}`
  const add = (rule: LoadRule, result: LoadFinding['state'], text: string) =>
    found.push({ rule, state: result, text, may: mayOverrule(rule, machine) })
  /** A rule that is broken: asked where somebody may overrule it, else refused. */
  const against = (rule: LoadRule, text: string) => add(rule, mayOverrule(rule, machine) === 'nobody' ? 'refused' : 'asks', text)

  if (!state) add('control', 'refused', `${machine.name}’s control does not answer: nothing can be checked or written.`)

  if (c.madeFor.key === machine.key) add('right-machine', 'holds', `The figures were made for ${machine.name}.`)
  else against('right-machine', `Wrong machine: these figures were made for ${c.madeFor.name}, this is ${machine.name}.`)

  if (tool.coupling === machine.coupling) add('taper', 'holds', `Its taper fits: ${machine.coupling}.`)
  else against('taper', `Wrong taper: the tool is ${tool.coupling}, ${machine.name} takes ${machine.coupling}.`)

  if (machine.studForms.length) {
    const takes = machine.studForms.join(' or ')
    if (tool.stud === null) against('stud', `It has no pull stud on record; ${machine.name} takes form ${takes}.`)
    else if (!machine.studForms.includes(tool.stud.form))
      against('stud', `Wrong pull stud: form ${tool.stud.form}, ${machine.name} takes ${takes}. It would drop the tool.`)
    else if (tool.stud.tooOld) against('stud', 'Its pull stud is past its age: put a new one in.')
    else add('stud', 'holds', `Its pull stud is form ${tool.stud.form}.`)
  }

  if (tool.condition !== 'fit') against('condition', `It is ${tool.condition}.`)

  if (c.jobs.length)
    add('wanted', 'holds', `${c.jobs.map((j) => j.id).join(', ')} ${c.jobs.length === 1 ? 'wants' : 'want'} T${tool.t}.`)
  else against('wanted', `No open job of ${machine.name} wants T${tool.t}.`)

  if (state && c.jobs.length) programRule(c, state, add, against)

  if (!c.measured) against('measured', 'It was never measured here.')
  else {
    const days = Math.floor((Date.parse(c.now) - Date.parse(c.measured.at)) / DAY_MS)
    if (days > limits.measuredDays)
      against(
        'measured',
        `It was measured ${days} days ago; ${machine.name} asks for ${limits.measuredDays} at most. Check it on the bench.`,
      )
    else if (c.measured.verdict === 'off') against('measured', 'Its last measurement is off.')
    else add('measured', 'holds', days === 0 ? 'Measured today.' : `Measured ${days === 1 ? 'a day' : `${days} days`} ago.`)
  }

  const wanted = Math.max(0, ...c.jobs.map((j) => j.maxSpindle ?? 0)) || null
  if (tool.balanced) add('balance', 'holds', 'Balanced.')
  else if (wanted === null || wanted < limits.balanceFromRpm)
    add(
      'balance',
      'holds',
      wanted === null
        ? 'Not balanced; no program says its speed.'
        : `Not balanced; ${rpm(wanted)} is below ${rpm(limits.balanceFromRpm)}.`,
    )
  else against('balance', `Not balanced, and the program turns it at ${rpm(wanted)}.`)

  const greatest = Math.min(machine.greatestRpm, tool.greatestRpm ?? Infinity)
  if (wanted !== null && wanted > greatest)
    against(
      'speed',
      `The program turns it at ${rpm(wanted)}; ${tool.greatestRpm !== null && tool.greatestRpm < machine.greatestRpm ? 'its weakest part takes' : `${machine.name} takes`} ${rpm(greatest)}.`,
    )
  else if (tool.greatestRpm !== null) add('speed', 'holds', `Its weakest part takes ${rpm(tool.greatestRpm)}.`)

  if (machine.greatestKg !== null) {
    if (tool.massKg === null) against('mass', 'Nobody knows its mass.')
    else if (tool.massKg > machine.greatestKg && !byHand)
      against('mass', `Too heavy: ${kg(tool.massKg)}, the changer carries ${kg(machine.greatestKg)}.`)
    else if (tool.massKg >= limits.liftFromKg) add('mass', 'told', `${kg(tool.massKg)}: by the lift.`)
    else if (tool.massKg >= limits.slowFromKg) add('mass', 'told', `${kg(tool.massKg)}: set the changer to slow for it.`)
    else add('mass', 'holds', `${kg(tool.massKg)}.`)
  }
  const { lengthMm, radiusMm } = machine
  if (tool.lengthMm > lengthMm.max)
    against('length', `Too long: ${size(tool.lengthMm)}, ${machine.name} takes ${size(lengthMm.max)}.`)
  else if (tool.lengthMm < lengthMm.min)
    against('length', `Too short: ${size(tool.lengthMm)}, ${machine.name} takes from ${size(lengthMm.min)}.`)
  else add('length', 'holds', `Length ${size(tool.lengthMm)}.`)
  if (tool.widestMm > radiusMm.max && !byHand)
    against(
      'diameter',
      `Too wide: Ø ${size(2 * tool.widestMm)}, the changer takes Ø ${size(2 * radiusMm.max)}. Into the spindle by hand.`,
    )
  else add('diameter', 'holds', `Widest Ø ${size(2 * tool.widestMm)}.`)

  pocketRule(c, byHand, add, against)
  if (state) registerRules(c, state, add, against)
  return found
}

type Add = (rule: LoadRule, state: LoadFinding['state'], text: string) => void
type Against = (rule: LoadRule, text: string) => void

function programRule({ jobs, machine }: LoadCase, state: MachineState, add: Add, against: Against): void {
  const kept = new Map(state.programs.map((p) => [p.name, p.hash]))
  const programs = jobs.flatMap((j) => j.programs.map((p) => ({ ...p, job: j.id })))
  const changed = programs.find((p) => kept.has(p.name) && kept.get(p.name) !== p.hash)
  const there = programs.filter((p) => kept.get(p.name) === p.hash)
  if (changed)
    against(
      'program',
      `${changed.name} in the control is not the one ${changed.job} was netted with: it was changed. Read the job’s program in again.`,
    )
  else if (there.length) add('program', 'holds', `${there.map((p) => p.name).join(', ')} is as it was netted.`)
  else if (programs.length)
    add('program', 'told', `${programs[0].name} does not lie in ${machine.name}’s control yet: it could not be compared.`)
}

function pocketRule(c: LoadCase, byHand: boolean, add: Add, against: Against): void {
  const { machine, pocket } = c
  if (pocket === null)
    return against('pocket', `${machine.name} has no pocket for it: none is free that is wide enough. Unload a tool first.`)
  if (c.givenPocket !== null && pocket !== c.givenPocket)
    return against('pocket', `Its hand-over names pocket ${c.givenPocket}: it belongs there and nowhere else.`)
  if (c.inPocket)
    return against(
      'pocket',
      `${byHand ? 'The spindle' : `Pocket ${pocket}`} is not free: ${nameOf(c.inPocket)} stands there.${byHand ? ' Put it away first, so that it is known where it is.' : ''}`,
    )
  add('pocket', 'holds', byHand ? 'The spindle is free.' : `Pocket ${pocket} is free.`)
  if (byHand) return
  if (c.touches.length)
    against(
      'neighbours',
      `Too wide for pocket ${pocket}: it would touch ${nameOf(c.touches[0])} in pocket ${c.touches[0].pocket}.`,
    )
  else add('neighbours', 'holds', 'Its neighbours leave it room.')
}

const nameOf = (s: Standing) => (s.t === null ? (s.serial ?? 'a tool') : `T${s.t}${s.serial ? ` (${s.serial})` : ''}`)

function registerRules(c: LoadCase, state: MachineState, add: Add, against: Against): void {
  const { machine, tool, register } = c
  if (c.sameT)
    against(
      'one-t',
      `T${tool.t} stands in ${machine.name} already, ${pocketText(c.sameT.pocket)}${c.sameT.serial ? ` (${c.sameT.serial})` : ''}: both would have one row. Take that one out first.`,
    )
  if (isTyped(machine))
    return add(
      'register-idle',
      'told',
      `${machine.name} cannot be asked: see there that nothing uses T${tool.t}, and that its row is empty.`,
    )
  const row = tableOf(machine).numberFrom === 'T' ? 'row' : `row ${register}`
  if (state.running?.tools.includes(tool.t))
    against('register-idle', `${state.running.program} is running and uses T${tool.t}: its ${row} must not change now.`)
  else if (state.spindle === tool.t && c.pocket !== SPINDLE)
    against('register-idle', `T${tool.t} is in the spindle: its ${row} must not change now.`)
  else add('register-idle', 'holds', `No running program uses T${tool.t}.`)
  if (c.row === null) return
  if (c.rowIsOurs) add('register-empty', 'holds', 'Its row holds these figures already.')
  else if (c.sent) add('register-empty', 'holds', 'Its row was begun by this load.')
  else if (c.rowIsEmpty) add('register-empty', 'holds', 'Its row is empty.')
  else against('register-empty', `Its ${row} is not empty: ${rowText(c.row, machine)}.`)
}

const rowText = (row: HeldRow, machine: Machine): string =>
  Object.entries(row)
    .filter(([name, value]) => value !== 0 || !name.includes('wear'))
    .slice(0, 3)
    .map(([name, value]) => `${name} ${name === 'tip' ? value : `${value.toFixed(machine.decimals)} ${unitMark(machine.unit)}`}`)
    .join(', ')

/** Whether nothing stands against it any more, given what was overruled with a reason. */
export const isClear = (findings: readonly LoadFinding[], overruled: readonly LoadRule[]): boolean =>
  findings.every((f) => f.state === 'holds' || f.state === 'told' || (f.state === 'asks' && overruled.includes(f.rule)))
