/** What is looked at before a tool goes into a machine, each as a rule of its own that says who may overrule it. */
import {
  controlT,
  isTyped,
  loadLimitsOf,
  SPINDLE,
  type Condition,
  type Coupling,
  type Definition,
  type LoadRule,
  type Machine,
  type MayOverrule,
} from '../tool'
import type { Verdict } from '../judge'
import {
  offsetCalls,
  type Concession,
  type HandoverValues,
  type Held,
  type HeldRow,
  type OffsetCall,
  type ProgramCall,
} from '../handover'
import type { MachineState } from './state'
import type { Standing } from './pocket'

/** What is known of the tool, its hand-over and its machine when it is to go in. Lengths mm, masses kg. */
export interface LoadCase {
  readonly machine: Machine
  readonly tool: {
    readonly serial: string
    readonly t: number
    /** 0 the first tool of its T in this machine. */
    readonly sister: number
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
    /** What it was found to be as it is now; null where nobody balanced it, or it was touched since. */
    readonly balance: {
      readonly grade: number
      readonly rpm: number
      readonly wantedGrade: number
      readonly goodToRpm: number
      readonly elsewhere: string | null
    } | null
    /** What it was built to; null without a definition. */
    readonly definition: (Pick<Definition, 'id' | 'name' | 'balance' | 'route'> & { readonly version: number }) | null
    /** The newest version of that definition; null without one. */
    readonly currentVersion: number | null
    /** When its holder fell and was not inspected since; null when it did not. */
    readonly fallenAt: string | null
  }
  readonly measured: { readonly at: string; readonly verdict: Verdict | null } | null
  /** Key and name of the machine its hand-over names. */
  readonly madeFor: { readonly key: string; readonly name: string }
  readonly concession: Concession | null
  readonly secondOffset: HandoverValues['secondOffset'] | null
  /** Why the hand-over is held until the tool was measured again; null when nothing holds it. */
  readonly held: Held | null
  /** Open jobs of this machine that want its T. */
  readonly jobs: readonly {
    readonly id: string
    readonly maxSpindle: number | null
    readonly programs: readonly { readonly name: string; readonly hash: string }[]
    /** Definition that the job means by this T; null when nobody knows one. */
    readonly definition: { readonly id: string; readonly name: string } | null
  }[]
  /** How those jobs' programs call it. */
  readonly calls: readonly ProgramCall[]
  /** Where it is to stand; SPINDLE by hand, null when there is no room. */
  readonly pocket: number | null
  /** The one its hand-over names; null when it names none. */
  readonly givenPocket: number | null
  /** What stands in that pocket already. */
  readonly inPocket: Standing | null
  /** Neighbours it would touch. */
  readonly touches: readonly Standing[]
  /** Where the same T, with the same row, stands in this machine already. */
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
  /** A tool in this machine that an open job wants, and of which the control tells otherwise; null: none that nobody has decided. */
  readonly tableOpen: { readonly t: number; readonly job: string } | null
  readonly now: string
}

/** What a rule found, as code and data; lengths mm, masses kg, speeds rev/min. */
export type LoadSaid =
  | { readonly code: 'CONTROL_SILENT' }
  | { readonly code: 'MADE_FOR_IT' }
  | { readonly code: 'MADE_FOR_ANOTHER'; readonly other: string }
  | { readonly code: 'TAPER_FITS'; readonly coupling: Coupling }
  | { readonly code: 'TAPER_WRONG'; readonly has: Coupling }
  | { readonly code: 'STUD_FITS'; readonly form: string }
  | { readonly code: 'STUD_UNKNOWN' }
  | { readonly code: 'STUD_WRONG'; readonly form: string }
  | { readonly code: 'STUD_OLD' }
  | { readonly code: 'CONDITION'; readonly condition: Condition }
  | { readonly code: 'FELL'; readonly at: string }
  | { readonly code: 'WANTED'; readonly jobs: readonly string[]; readonly t: number }
  | { readonly code: 'NOT_WANTED'; readonly t: number }
  | { readonly code: 'VERSION_CURRENT'; readonly id: string; readonly version: number }
  | { readonly code: 'SUPERSEDED'; readonly id: string; readonly built: number; readonly current: number }
  | { readonly code: 'OTHER_TOOL'; readonly job: string; readonly t: number; readonly wants: string; readonly has: string }
  | { readonly code: 'OFFSET_SAME'; readonly register: number }
  | { readonly code: 'OFFSET_ALLOWED'; readonly call: OffsetCall; readonly who: string; readonly reason: string }
  | { readonly code: 'OFFSET_DIFFERS'; readonly call: OffsetCall }
  | { readonly code: 'PROGRAM_SAME'; readonly programs: readonly string[] }
  | { readonly code: 'PROGRAM_CHANGED'; readonly program: string; readonly job: string }
  | { readonly code: 'PROGRAM_ABSENT'; readonly program: string }
  | { readonly code: 'MEASURED'; readonly days: number }
  | { readonly code: 'NEVER_MEASURED' }
  | { readonly code: 'MEASURED_LONG_AGO'; readonly days: number; readonly atMost: number }
  | { readonly code: 'OUT_OF_TOLERANCE' }
  | { readonly code: 'HELD'; readonly why: Held }
  | { readonly code: 'CONCESSION'; readonly concession: Concession }
  | { readonly code: 'CONCESSION_ENDED'; readonly concession: Concession }
  | {
      readonly code: 'BALANCED'
      readonly grade: number
      readonly rpm: number
      readonly goodToRpm: number
      readonly by: string | null
    }
  | { readonly code: 'BALANCED_FOR_LESS'; readonly rpm: number; readonly goodToRpm: number; readonly grade: number }
  | { readonly code: 'BALANCE_NOT_ASKED'; readonly by: 'definition' | 'machine' }
  | {
      readonly code: 'NOT_BALANCED'
      readonly rpm: number | null
      readonly massKg: number | null
      readonly wanted: Definition['balance']
    }
  | { readonly code: 'SPEED_FITS'; readonly greatest: number }
  | { readonly code: 'TOO_FAST'; readonly rpm: number; readonly greatest: number; readonly by: 'part' | 'machine' }
  | { readonly code: 'MASS_UNKNOWN' }
  | { readonly code: 'TOO_HEAVY'; readonly massKg: number; readonly greatestKg: number }
  | { readonly code: 'BY_LIFT' | 'CHANGER_SLOW' | 'MASS_FITS'; readonly massKg: number }
  | { readonly code: 'TOO_LONG' | 'TOO_SHORT'; readonly lengthMm: number; readonly limitMm: number }
  | { readonly code: 'LENGTH_FITS'; readonly lengthMm: number }
  | { readonly code: 'TOO_WIDE'; readonly widestMm: number; readonly limitMm: number }
  | { readonly code: 'WIDTH_FITS'; readonly widestMm: number }
  | { readonly code: 'NO_POCKET' }
  | { readonly code: 'OTHER_POCKET'; readonly given: number }
  | { readonly code: 'POCKET_TAKEN'; readonly pocket: number; readonly by: Standing }
  | { readonly code: 'POCKET_FREE'; readonly pocket: number }
  | { readonly code: 'TOUCHES'; readonly pocket: number; readonly other: Standing }
  | { readonly code: 'NEIGHBOURS_CLEAR' }
  | { readonly code: 'SAME_T'; readonly t: number; readonly pocket: number; readonly serial: string | null }
  | { readonly code: 'CANNOT_ASK'; readonly t: number }
  | { readonly code: 'PROGRAM_RUNS'; readonly program: string; readonly t: number }
  | { readonly code: 'IN_SPINDLE'; readonly t: number }
  | { readonly code: 'REGISTER_IDLE'; readonly t: number }
  | { readonly code: 'ROW_OURS' }
  | { readonly code: 'ROW_BEGUN' }
  | { readonly code: 'ROW_EMPTY' }
  | { readonly code: 'TABLE_OPEN'; readonly t: number; readonly job: string }
  | { readonly code: 'ROW_IN_USE'; readonly register: number; readonly row: HeldRow }

export interface LoadFinding {
  readonly rule: LoadRule
  /** `asks` may be overruled by `may`; `told` stops nothing. */
  readonly state: 'holds' | 'noted' | 'asks' | 'refused'
  readonly said: LoadSaid
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
  version: 'nobody',
  offset: 'lead',
  program: 'nobody',
  measured: 'lead',
  concession: 'nobody',
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
  table: 'lead',
}

/** Rules that a machine may make milder than they are; the others hurt somebody or break something. */
export const MAY_BE_SET: readonly LoadRule[] = ['wanted', 'measured', 'balance', 'mass', 'register-empty', 'table']

export const mayOverrule = (rule: LoadRule, machine: Machine): MayOverrule =>
  (MAY_BE_SET.includes(rule) ? loadLimitsOf(machine).may[rule] : undefined) ?? USUAL_MAY[rule]

const DAY_MS = 24 * 3600 * 1000

/** Puts findings down, in the order they are looked at. */
class Sheet {
  readonly found: LoadFinding[] = []
  constructor(private readonly machine: Machine) {}
  add(rule: LoadRule, state: LoadFinding['state'], said: LoadSaid): void {
    this.found.push({ rule, state, said, may: mayOverrule(rule, this.machine) })
  }
  holds(rule: LoadRule, said: LoadSaid): void {
    this.add(rule, 'holds', said)
  }
  noted(rule: LoadRule, said: LoadSaid): void {
    this.add(rule, 'noted', said)
  }
  /** A rule that is broken: asked where somebody may overrule it, else refused. */
  against(rule: LoadRule, said: LoadSaid): void {
    this.add(rule, mayOverrule(rule, this.machine) === 'nobody' ? 'refused' : 'asks', said)
  }
}

/** Every rule that applies, in the order they are looked at. */
export function loadRules(c: LoadCase): LoadFinding[] {
  const sheet = new Sheet(c.machine)
  if (!c.state) sheet.add('control', 'refused', { code: 'CONTROL_SILENT' })
  toolRules(c, sheet)
  jobRules(c, sheet)
  measuredRules(c, sheet)
  balanceRule(c, sheet)
  speedRule(c, sheet)
  massRule(c, sheet)
  sizeRules(c, sheet)
  pocketRules(c, sheet)
  if (c.state) registerRules(c, c.state, sheet)
  if (c.tableOpen) sheet.against('table', { code: 'TABLE_OPEN', ...c.tableOpen })
  return sheet.found
}

const byHand = (c: LoadCase) => c.pocket === SPINDLE
const fastest = (c: LoadCase): number | null => Math.max(0, ...c.jobs.map((j) => j.maxSpindle ?? 0)) || null

function toolRules({ machine, tool, madeFor }: LoadCase, sheet: Sheet): void {
  if (madeFor.key === machine.key) sheet.holds('right-machine', { code: 'MADE_FOR_IT' })
  else sheet.against('right-machine', { code: 'MADE_FOR_ANOTHER', other: madeFor.name })

  if (tool.coupling === machine.coupling) sheet.holds('taper', { code: 'TAPER_FITS', coupling: machine.coupling })
  else sheet.against('taper', { code: 'TAPER_WRONG', has: tool.coupling })

  if (machine.studForms.length) {
    if (tool.stud === null) sheet.against('stud', { code: 'STUD_UNKNOWN' })
    else if (!machine.studForms.includes(tool.stud.form)) sheet.against('stud', { code: 'STUD_WRONG', form: tool.stud.form })
    else if (tool.stud.tooOld) sheet.against('stud', { code: 'STUD_OLD' })
    else sheet.holds('stud', { code: 'STUD_FITS', form: tool.stud.form })
  }
  if (tool.condition !== 'fit') sheet.against('condition', { code: 'CONDITION', condition: tool.condition })
  if (tool.fallenAt !== null) sheet.against('condition', { code: 'FELL', at: tool.fallenAt })
}

function jobRules(c: LoadCase, sheet: Sheet): void {
  const { machine, tool, jobs } = c
  if (jobs.length) sheet.holds('wanted', { code: 'WANTED', jobs: jobs.map((j) => j.id), t: tool.t })
  else sheet.against('wanted', { code: 'NOT_WANTED', t: tool.t })

  const { definition, currentVersion } = tool
  const other = jobs.find((j) => j.definition !== null && j.definition.id !== definition?.id)
  // a job that no tool's definition belongs to asks for its T alone
  if (other?.definition && jobs.every((j) => j.definition === null || j.definition.id !== definition?.id))
    sheet.against('version', {
      code: 'OTHER_TOOL',
      job: other.id,
      t: tool.t,
      wants: other.definition.name,
      has: definition?.name ?? tool.serial,
    })
  else if (definition && currentVersion !== null && definition.version < currentVersion)
    sheet.against('version', { code: 'SUPERSEDED', id: definition.id, built: definition.version, current: currentVersion })
  else if (definition) sheet.holds('version', { code: 'VERSION_CURRENT', id: definition.id, version: definition.version })

  const [call] = offsetCalls(c.calls, tool.t, c.pocket === SPINDLE ? null : c.pocket, machine)
  if (call && c.secondOffset) sheet.noted('offset', { code: 'OFFSET_ALLOWED', call, ...c.secondOffset })
  else if (call) sheet.against('offset', { code: 'OFFSET_DIFFERS', call })
  else if (c.calls.some(({ h, d }) => h.length + d.length > 0))
    sheet.holds('offset', { code: 'OFFSET_SAME', register: c.register })

  if (c.state && jobs.length) programRule(c, c.state, sheet)
}

function programRule({ jobs }: LoadCase, state: MachineState, sheet: Sheet): void {
  const kept = new Map(state.programs.map((p) => [p.name, p.hash]))
  const programs = jobs.flatMap((j) => j.programs.map((p) => ({ ...p, job: j.id })))
  const changed = programs.find((p) => kept.has(p.name) && kept.get(p.name) !== p.hash)
  const there = programs.filter((p) => kept.get(p.name) === p.hash)
  if (changed) sheet.against('program', { code: 'PROGRAM_CHANGED', program: changed.name, job: changed.job })
  else if (there.length) sheet.holds('program', { code: 'PROGRAM_SAME', programs: there.map((p) => p.name) })
  else if (programs.length) sheet.noted('program', { code: 'PROGRAM_ABSENT', program: programs[0].name })
}

function measuredRules({ machine, measured, concession, held, jobs, now }: LoadCase, sheet: Sheet): void {
  const { measuredDays } = loadLimitsOf(machine)
  if (held !== null) sheet.against('measured', { code: 'HELD', why: held })
  if (!measured) sheet.against('measured', { code: 'NEVER_MEASURED' })
  else {
    const days = Math.floor((Date.parse(now) - Date.parse(measured.at)) / DAY_MS)
    if (days > measuredDays) sheet.against('measured', { code: 'MEASURED_LONG_AGO', days, atMost: measuredDays })
    else if (measured.verdict === 'off' && !concession) sheet.against('measured', { code: 'OUT_OF_TOLERANCE' })
    else if (held === null) sheet.holds('measured', { code: 'MEASURED', days })
  }
  if (!concession) return
  const ended =
    (concession.until !== null && concession.until < now.slice(0, 10)) ||
    (concession.job !== null && !jobs.some((j) => j.id === concession.job))
  if (ended) sheet.against('concession', { code: 'CONCESSION_ENDED', concession })
  else sheet.noted('concession', { code: 'CONCESSION', concession })
}

/** Held against the definition's grade, whatever it was balanced to: one unbalance keeps a finer grade to a lower speed only. */
function balancedRule(
  { grade, rpm: at, goodToRpm, wantedGrade, elsewhere }: NonNullable<LoadCase['tool']['balance']>,
  wanted: Definition['balance'],
  rpm: number | null,
  sheet: Sheet,
): void {
  const asked = wanted?.grade ?? wantedGrade
  const goodTo = Math.min(1, asked / wantedGrade) * goodToRpm
  if (rpm !== null && rpm > goodTo) sheet.against('balance', { code: 'BALANCED_FOR_LESS', rpm, goodToRpm: goodTo, grade: asked })
  else sheet.holds('balance', { code: 'BALANCED', grade, rpm: at, goodToRpm: goodTo, by: elsewhere })
}

/** Not balanced neither passes nor blocks by itself: it is asked, with what speed, mass and definition say of it. */
function balanceRule(c: LoadCase, sheet: Sheet): void {
  const { machine, tool } = c
  const rpm = fastest(c)
  const route = tool.definition?.route ?? 'as the machine'
  const wanted = tool.definition?.balance ?? null
  if (tool.balance) return balancedRule(tool.balance, wanted, rpm ?? wanted?.rpm ?? null, sheet)
  if (route === 'no balance') return sheet.noted('balance', { code: 'BALANCE_NOT_ASKED', by: 'definition' })
  const slow = rpm !== null && rpm < loadLimitsOf(machine).balanceFromRpm
  if (route === 'as the machine' && machine.route === 'no balance' && wanted === null && slow)
    return sheet.noted('balance', { code: 'BALANCE_NOT_ASKED', by: 'machine' })
  sheet.against('balance', { code: 'NOT_BALANCED', rpm, massKg: tool.massKg, wanted })
}

function speedRule(c: LoadCase, sheet: Sheet): void {
  const { machine, tool } = c
  const rpm = fastest(c)
  const greatest = Math.min(machine.greatestRpm, tool.greatestRpm ?? Infinity)
  const by = tool.greatestRpm !== null && tool.greatestRpm < machine.greatestRpm ? 'part' : 'machine'
  if (rpm !== null && rpm > greatest) sheet.against('speed', { code: 'TOO_FAST', rpm, greatest, by })
  else if (tool.greatestRpm !== null) sheet.holds('speed', { code: 'SPEED_FITS', greatest: tool.greatestRpm })
}

function massRule(c: LoadCase, sheet: Sheet): void {
  const { machine, tool } = c
  const { massKg } = tool
  const limits = loadLimitsOf(machine)
  if (machine.greatestKg === null) return
  if (massKg === null) sheet.against('mass', { code: 'MASS_UNKNOWN' })
  else if (massKg > machine.greatestKg && !byHand(c))
    sheet.against('mass', { code: 'TOO_HEAVY', massKg, greatestKg: machine.greatestKg })
  else if (massKg >= limits.liftFromKg) sheet.noted('mass', { code: 'BY_LIFT', massKg })
  else if (massKg >= limits.slowFromKg) sheet.noted('mass', { code: 'CHANGER_SLOW', massKg })
  else sheet.holds('mass', { code: 'MASS_FITS', massKg })
}

function sizeRules(c: LoadCase, sheet: Sheet): void {
  const { lengthMm: lengths, radiusMm: radii } = c.machine
  const { lengthMm, widestMm } = c.tool
  if (lengthMm > lengths.max) sheet.against('length', { code: 'TOO_LONG', lengthMm, limitMm: lengths.max })
  else if (lengthMm < lengths.min) sheet.against('length', { code: 'TOO_SHORT', lengthMm, limitMm: lengths.min })
  else sheet.holds('length', { code: 'LENGTH_FITS', lengthMm })
  if (widestMm > radii.max && !byHand(c)) sheet.against('diameter', { code: 'TOO_WIDE', widestMm, limitMm: radii.max })
  else sheet.holds('diameter', { code: 'WIDTH_FITS', widestMm })
}

function pocketRules(c: LoadCase, sheet: Sheet): void {
  const { pocket } = c
  if (pocket === null) return sheet.against('pocket', { code: 'NO_POCKET' })
  if (c.givenPocket !== null && pocket !== c.givenPocket)
    return sheet.against('pocket', { code: 'OTHER_POCKET', given: c.givenPocket })
  if (c.inPocket) return sheet.against('pocket', { code: 'POCKET_TAKEN', pocket, by: c.inPocket })
  sheet.holds('pocket', { code: 'POCKET_FREE', pocket })
  if (byHand(c)) return
  if (c.touches.length) sheet.against('neighbours', { code: 'TOUCHES', pocket, other: c.touches[0] })
  else sheet.holds('neighbours', { code: 'NEIGHBOURS_CLEAR' })
}

function registerRules(c: LoadCase, state: MachineState, sheet: Sheet): void {
  const { machine, register } = c
  const own = controlT(c.tool, machine)
  if (c.sameT) sheet.against('one-t', { code: 'SAME_T', t: own, ...c.sameT })
  if (isTyped(machine)) return sheet.noted('register-idle', { code: 'CANNOT_ASK', t: own })
  if (state.running?.tools.some((t) => t === own || t === c.tool.t))
    sheet.against('register-idle', { code: 'PROGRAM_RUNS', program: state.running.program, t: own })
  else if (state.spindle === own && c.pocket !== SPINDLE) sheet.against('register-idle', { code: 'IN_SPINDLE', t: own })
  else sheet.holds('register-idle', { code: 'REGISTER_IDLE', t: own })
  if (c.row === null) return
  if (c.rowIsOurs) sheet.holds('register-empty', { code: 'ROW_OURS' })
  else if (c.sent) sheet.holds('register-empty', { code: 'ROW_BEGUN' })
  else if (c.rowIsEmpty) sheet.holds('register-empty', { code: 'ROW_EMPTY' })
  else sheet.against('register-empty', { code: 'ROW_IN_USE', register, row: c.row })
}

/** Whether nothing is against it any more, given what was overruled with a reason. */
export const isClear = (findings: readonly LoadFinding[], overruled: readonly LoadRule[]): boolean =>
  findings.every((f) => f.state === 'holds' || f.state === 'noted' || (f.state === 'asks' && overruled.includes(f.rule)))
