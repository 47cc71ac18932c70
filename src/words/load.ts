/** What Load says: the rules by name, and what each of them found. */
import { gradeText } from './balance'
import { pocketText } from './pocket'
import type { HeldRow } from '@/core/handover'
import type { Difference, Proposal, LoadFinding, LoadSaid, Standing, StepLine } from '@/core/load'
import { isTyped, SPINDLE, tableOf, type LoadRule, type Machine } from '@/core/tool'
import { formatLength, unitMark, type Units } from '@/core/units'
import { concessionText, heldText, offsetCallText } from './hand-over'
import { massText } from './quantity'
import { timeText } from './time'

/** What each rule is called at the machine. */
export const RULE_NAMES: Readonly<Record<LoadRule, string>> = {
  control: 'the control answers',
  'right-machine': 'made for this machine',
  taper: 'the taper fits',
  stud: 'the pull stud fits',
  condition: 'not worn, broken or dropped',
  wanted: 'a job wants it',
  version: 'built to the current definition',
  offset: 'the program calls its own offset',
  program: 'the NC program is unchanged',
  measured: 'measured lately, in tolerance',
  concession: 'its concession still counts',
  balance: 'balanced',
  speed: 'no faster than its weakest part',
  mass: 'light enough for the changer',
  length: 'length within the machine’s limits',
  diameter: 'narrow enough for the changer',
  pocket: 'the pocket is free',
  neighbours: 'adjacent pockets clear',
  'register-idle': 'nothing uses its offset now',
  'one-t': 'no other tool has its T',
  'register-empty': 'its offset is empty',
  table: 'the other offsets are as released',
}

/** What the record and the control tell otherwise, and what to do. */
export function differenceText(d: Difference, { name, unit, decimals }: Machine): string {
  const size = (value: number) => `${value.toFixed(decimals)} ${unitMark(unit)}`
  const tool = `T${d.t} (${d.serial})`
  switch (d.code) {
    case 'ROW_EMPTY':
      return `${tool} is in ${name} by the record, but its offset ${d.number} is empty. Do not run it. Take it out and load it again.`
    case 'ROW_DIFFERS':
      return `${tool}: ${d.register} of offset ${d.number} is ${d.held === null ? 'empty' : size(d.held)}, released was ${size(d.wanted)}. Somebody changed it at the machine. Find out why, or take the tool out and load it again.`
    case 'NOT_LISTED':
      return `${tool} is in ${pocketText(d.pocket)} by the record, but the control’s list has nothing there. Look into the magazine.`
    case 'LISTED_ELSEWHERE':
      return `${tool} is in ${pocketText(d.pocket)} by the record, the control has it in ${pocketText(d.there)}. Look into the magazine.`
    case 'OTHER_LISTED':
      return `${tool} is in ${pocketText(d.pocket)} by the record, the control has T${d.other} there. Look into the magazine.`
  }
}

const rpm = (n: number) => `${n.toLocaleString('en')} rev/min`
const nameOf = (s: Standing) => (s.t === null ? (s.serial ?? 'a tool') : `T${s.t}${s.serial ? ` (${s.serial})` : ''}`)
const daysAgo = (days: number) => (days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`)

const rowText = (row: HeldRow, { unit, decimals }: Machine): string =>
  Object.entries(row)
    .filter(([name, value]) => value !== 0 || !name.includes('wear'))
    .slice(0, 3)
    .map(([name, value]) => `${name} ${name === 'tip' ? value : `${value.toFixed(decimals)} ${unitMark(unit)}`}`)
    .join(', ')

function notBalanced({ rpm: fast, massKg, wanted }: Extract<LoadSaid, { code: 'NOT_BALANCED' }>, units: Units): string {
  const grade = wanted ? ` Its definition asks for G${wanted.grade} at ${rpm(wanted.rpm)}.` : ''
  const speed = fast === null ? ' No program says its speed.' : ` The program runs it at ${rpm(fast)}.`
  return `Not balanced.${grade}${speed}${massKg === null ? '' : ` It weighs ${massText(massKg, units)}.`}`
}

/** A finding with its sentence. */
export interface LoadLine extends LoadFinding {
  readonly text: string
}

/** A finding as a sentence, in the machine's own unit. */
// eslint-disable-next-line max-lines-per-function -- one sentence a code
export function loadSaidText(said: LoadSaid, machine: Machine, units: Units): string {
  const kg = (value: number) => massText(value, units)
  const { name, unit, decimals } = machine
  const size = (mm: number) => `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`
  const forms = machine.studForms.join(' or ')
  switch (said.code) {
    case 'CONTROL_SILENT':
      return `${name}’s control does not answer. Nothing can be checked or written. Look at its connection.`
    case 'MADE_FOR_IT':
      return `Released for ${name}.`
    case 'MADE_FOR_ANOTHER':
      return `Wrong machine: this tool was released for ${said.other}, this is ${name}.`
    case 'TAPER_FITS':
      return `The taper fits: ${said.coupling}.`
    case 'TAPER_WRONG':
      return `Wrong taper: the tool is ${said.has}, ${name} takes ${machine.coupling}.`
    case 'STUD_FITS':
      return `The pull stud is form ${said.form}.`
    case 'STUD_UNKNOWN':
      return `No pull stud is on record. ${name} takes form ${forms}. Enter the one that is in.`
    case 'STUD_WRONG':
      return `Wrong pull stud: form ${said.form}. ${name} takes ${forms} and would drop this tool.`
    case 'STUD_OLD':
      return 'The pull stud is past its age. Put a new one in.'
    case 'CONDITION':
      return `The tool is ${said.condition}. Change its cutter or insert first.`
    case 'FELL':
      return `Its holder was dropped on ${timeText(said.at)}. Inspect it first.`
    case 'WANTED':
      return `${said.jobs.join(', ')} ${said.jobs.length === 1 ? 'wants' : 'want'} T${said.t}.`
    case 'NOT_WANTED':
      return `No open job of ${name} wants T${said.t}.`
    case 'VERSION_CURRENT':
      return `Built to ${said.id}, version ${said.version}.`
    case 'SUPERSEDED':
      return `Built to version ${said.built} of ${said.id}, but version ${said.current} counts now. Take it apart and build it again.`
    case 'OTHER_TOOL':
      return `Wrong tool: T${said.t} of ${said.job} is ${said.wants}. This is ${said.has}.`
    case 'OFFSET_SAME':
      return `The program calls offset ${said.register}.`
    case 'OFFSET_ALLOWED':
      return `${offsetCallText(said.call)} ${said.who} allowed it: ${said.reason}`
    case 'OFFSET_DIFFERS':
      return `${offsetCallText(said.call)} The tool would run with another length. Correct the program.`
    case 'PROGRAM_SAME':
      return `${said.programs.join(', ')} ${said.programs.length === 1 ? 'is' : 'are'} unchanged since the tool list was made.`
    case 'PROGRAM_CHANGED':
      return `${said.program} in the control is not the one the tool list of ${said.job} was made from. Read the program in again.`
    case 'PROGRAM_ABSENT':
      return `${said.program} is not in ${name}’s control yet. It could not be compared.`
    case 'MEASURED':
      return `Measured ${daysAgo(said.days)}.`
    case 'NEVER_MEASURED':
      return 'Never measured here. Measure it first.'
    case 'MEASURED_LONG_AGO':
      return `Measured ${daysAgo(said.days)}. ${name} allows ${said.atMost} days. Check it on the bench.`
    case 'OUT_OF_TOLERANCE':
      return 'Its last measurement is out of tolerance.'
    case 'HELD':
      return heldText(said.why, unit)
    case 'CONCESSION':
      return concessionText(said.concession, unit)
    case 'CONCESSION_ENDED':
      return `Its concession does not count any more. ${concessionText(said.concession, unit)}`
    case 'BALANCED':
      return `Balanced: ${gradeText(said.grade)} at ${rpm(said.rpm)}, good to ${rpm(said.goodToRpm)}${said.by ? `, by ${said.by}` : ''}.`
    case 'BALANCED_FOR_LESS':
      return `Balanced for less: ${gradeText(said.grade)} up to ${rpm(said.goodToRpm)}. The program runs it at ${rpm(said.rpm)}.`
    case 'BALANCE_NOT_ASKED':
      return said.by === 'definition'
        ? 'Not balanced: its definition does not ask for it.'
        : `Not balanced: ${name} does not ask for it at this speed.`
    case 'NOT_BALANCED':
      return notBalanced(said, units)
    case 'SPEED_FITS':
      return `Its weakest part takes ${rpm(said.greatest)}.`
    case 'TOO_FAST':
      return `The program runs it at ${rpm(said.rpm)}. ${said.by === 'part' ? 'Its weakest part' : name} takes ${rpm(said.greatest)}.`
    case 'MASS_UNKNOWN':
      return 'Weight missing. Weigh the tool, or enter the weights of its parts.'
    case 'TOO_HEAVY':
      return `Too heavy: ${kg(said.massKg)}. The changer carries ${kg(said.greatestKg)}.`
    case 'BY_LIFT':
      return `${kg(said.massKg)}: use the lift.`
    case 'CHANGER_SLOW':
      return `${kg(said.massKg)}: set the changer to slow for it.`
    case 'MASS_FITS':
      return `${kg(said.massKg)}.`
    case 'TOO_LONG':
      return `Too long: ${size(said.lengthMm)}. ${name} takes ${size(said.limitMm)}.`
    case 'TOO_SHORT':
      return `Too short: ${size(said.lengthMm)}. ${name} takes from ${size(said.limitMm)}.`
    case 'LENGTH_FITS':
      return `Length ${size(said.lengthMm)} from the gauge line.`
    case 'TOO_WIDE':
      return `Too wide: Ø ${size(2 * said.widestMm)}. The changer takes Ø ${size(2 * said.limitMm)}. Load it into the spindle by hand.`
    case 'WIDTH_FITS':
      return `Widest Ø ${size(2 * said.widestMm)}.`
    case 'NO_POCKET':
      return `${name} has no free pocket wide enough for it. Unload a tool first.`
    case 'OTHER_POCKET':
      return `It was released for pocket ${said.given}. Load it there.`
    case 'POCKET_TAKEN':
      return said.pocket === SPINDLE
        ? `${nameOf(said.by)} is in the spindle. Put it away first, so that it is known where it is.`
        : `Pocket ${said.pocket} is taken: ${nameOf(said.by)} is there.`
    case 'POCKET_FREE':
      return said.pocket === SPINDLE ? 'The spindle is free.' : `Pocket ${said.pocket} is free.`
    case 'TOUCHES':
      return `Too wide for pocket ${said.pocket}: it would touch ${nameOf(said.other)} in pocket ${said.other.pocket}.`
    case 'NEIGHBOURS_CLEAR':
      return 'Adjacent pockets are clear.'
    case 'SAME_T':
      return `T${said.t} is in ${name} already, ${pocketText(said.pocket)}${said.serial ? ` (${said.serial})` : ''}. Both would use one offset. Take that one out first.`
    case 'CANNOT_ASK':
      return `${name} cannot be asked. Check there that nothing uses T${said.t} and that its offset is empty.`
    case 'PROGRAM_RUNS':
      return `${said.program} is running and uses T${said.t}. Its offset must not change now.`
    case 'IN_SPINDLE':
      return `T${said.t} is in the spindle. Its offset must not change now.`
    case 'REGISTER_IDLE':
      return `No running program uses T${said.t}.`
    case 'ROW_OURS':
      return 'Its offset holds these values already.'
    case 'ROW_BEGUN':
      return 'This load has begun to write its offset.'
    case 'ROW_EMPTY':
      return 'Its offset is empty.'
    case 'TABLE_OPEN':
      return `T${said.t} in ${name} is not as it was released, and ${said.job} needs it. Settle it in Records › Table watch.`
    case 'ROW_IN_USE': {
      const which = isTyped(machine) || tableOf(machine).numberFrom === 'T' ? 'Its offset' : `Offset ${said.register}`
      return `${which} is in use: ${rowText(said.row, machine)}.`
    }
  }
}

/** A step of loading as what is to be seen when it is done. */
export function stepLineText({ step, pocket, typed }: Pick<StepLine, 'step' | 'pocket' | 'typed'>): string {
  const byHand = pocket === SPINDLE
  switch (step) {
    case 'pocket':
      return byHand ? 'Changer to manual' : `Pocket ${pocket} at the loading place`
    case 'open':
      return 'Door open'
    case 'in':
      return byHand ? 'Tool in the spindle, held from below by its holder' : `Tool in pocket ${pocket}`
    case 'shut':
      return 'Door shut'
    case 'written':
      return typed ? 'Offsets typed and read back' : 'Offsets written and read back'
    case 'recorded':
      return 'Recorded'
  }
}

/** Why a pocket is proposed. */
export function pocketReasonText({ pocket, why }: Proposal): string {
  switch (why.code) {
    case 'GIVEN':
      return `Pocket ${pocket} was given at the bench.`
    case 'FEWEST_NEIGHBOURS':
      return `Pocket ${pocket}: this wide tool blocks ${why.neighbours} ${why.neighbours === 1 ? 'neighbour' : 'neighbours'} there, fewer than anywhere else.`
    case 'NO_NEIGHBOUR':
      return `Pocket ${pocket}: it blocks no neighbour there.`
    case 'NEAREST':
      return `Pocket ${pocket}: the nearest free pocket.`
  }
}
