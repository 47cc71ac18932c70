/** What Hand over, Load and Return say: about the offset table of a control, and about what may not be released. */
import { featureWord } from './properties'
import type { Concession, HandoverRefusal, Held, OffsetCall, OtherChange, VoidReason } from '@/core/handover'
import { isAngle, type FeatureKey } from '@/core/judge'
import { couplingTable, tableOf, type Machine } from '@/core/tool'
import type { MachineSizes, TableRefusal } from '@/stations/hand-over/contract'
import { fixed, formatDeviation, formatLength, unitMark, type LengthUnit } from '@/core/units'
import { dayText, timeText } from './time'

type Sizes = Pick<Machine, 'unit' | 'decimals'>

/** A value of the table as the machine shows it. */
const held = (value: number | null, register: string, { unit, decimals }: Sizes): string =>
  value === null ? 'empty' : register === 'tip' ? String(value) : `${fixed(value, decimals)} ${unitMark(unit)}`

const changeText = ({ number, register, old, new: now }: OtherChange, machine: Sizes): string =>
  `${register} of offset ${number} from ${held(old, register, machine)} to ${held(now, register, machine)}`

/** At most three changes are told one by one. */
const MOST_TOLD = 3

const changesText = (changes: readonly OtherChange[], machine: Sizes): string => {
  const more = changes.length - MOST_TOLD
  const said = changes.slice(0, MOST_TOLD).map((c) => changeText(c, machine))
  return said.join('; ') + (more > 0 ? `; and ${more} more` : '')
}

export function tableRefusalText(refusal: TableRefusal, machine: MachineSizes): string {
  switch (refusal.code) {
    case 'POST_DIFFERS': {
      const { t, register, held: value, measured } = refusal.row
      return `The post is wrong for T${t} ${register}: measured ${held(measured, register, machine)}, the control would hold ${held(value, register, machine)}. Nothing was sent. Correct the post.`
    }
    case 'POST_WRITES_OTHERS':
      return `The post also changes other offsets: ${changesText(refusal.others, machine)}. Nothing was sent. Correct the post.`
    case 'READ_BACK': {
      const { t, register, held: value, measured } = refusal.row
      return `${machine.name} holds ${held(value, register, machine)} as ${register} of T${t}, not ${held(measured, register, machine)}. Do not run this tool. Correct the register.`
    }
    case 'UNSTEADY':
      return `The control says different things of its table within a moment: ${changesText(refusal.changes, machine)}. Nobody can rely on it. Look at the control itself before you go on.`
    case 'OTHERS_CHANGED':
      return `Other offsets of ${machine.name} changed at the same time: ${changesText(refusal.others, machine)}. Boulder left them as they are. Check them at the control, then press again.`
  }
}

const size = (mm: number, { unit, decimals }: Sizes) => `${formatLength(mm, unit, decimals)} ${unitMark(unit)}`

/** A call of a program that does not name the register that is written. */
export const offsetCallText = ({ t, job, program, word, called, register }: OffsetCall): string =>
  `${program} of ${job} calls T${t} with ${word === 'offset' ? 'offset ' : word}${called}; Boulder writes offset ${register}.`

/** Short words for a mark on a refusal. */
export const refusalMark = (refusal: Pick<HandoverRefusal, 'code'>): string =>
  refusal.code === 'OFF'
    ? 'Out of tolerance.'
    : refusal.code === 'UNSURE'
      ? 'Borderline.'
      : refusal.code === 'OFFSET_DIFFERS'
        ? 'Wrong offset.'
        : 'Not released.'

export function handoverRefusalText(r: HandoverRefusal): string {
  switch (r.code) {
    case 'NOT_MEASURED':
      return 'Not measured yet. Measure it first.'
    case 'OFF':
      return 'It is out of tolerance. Correct it and measure again. A lead can release it as a concession.'
    case 'UNSURE':
      return 'It is borderline: within the uncertainty of a limit. Measure again, or a lead releases it with a reason.'
    case 'CONDITION':
      return `It is ${r.condition}. Change its cutter or insert first.`
    case 'FALLEN':
      return 'Its holder was dropped. Inspect it first and note that on the tool page.'
    case 'NO_T':
      return 'It has no T number yet. Give it one.'
    case 'NO_MACHINE':
      return 'It has no machine yet. Choose one.'
    case 'WRONG_TAPER':
      return `Its taper is ${r.has} (${couplingTable().get(r.has)?.standard ?? ''}). The machine takes ${r.needs}.`
    case 'WRONG_MACHINE':
      return `It is not set up for ${r.machine}. Its definition allows ${r.allowed.join(', ')}.`
    case 'LENGTH_RANGE':
      return `${r.machine.name} takes lengths from ${size(r.machine.lengthMm.min, r.machine)} to ${size(r.machine.lengthMm.max, r.machine)}. This tool is ${size(r.lengthMm, r.machine)} long.`
    case 'RADIUS_RANGE':
      return `${r.machine.name} takes radii from ${size(r.machine.radiusMm.min, r.machine)} to ${size(r.machine.radiusMm.max, r.machine)}. This tool has ${size(r.radiusMm, r.machine)}.`
    case 'NO_REGISTER':
      return tableOf(r.machine).numberFrom === 'pocket'
        ? `${r.machine.name} numbers its offsets by pocket. Give T${r.t} a pocket.`
        : `${r.machine.name} has no offset number for T${r.t} in its table. Enter one in its options.`
    case 'POCKET_RANGE':
      return `${r.machine.name} has pockets 1 to ${r.machine.pockets}. There is no pocket ${r.pocket}.`
    case 'REGISTER_RANGE':
      return `${r.machine.name} has offsets ${r.machine.registers.min} to ${r.machine.registers.max}. T${r.t} would get ${r.register}.`
    case 'TIP_DIFFERS':
      return `The bench saw the tip point to ${r.seen}, ${r.said} was chosen. Choose ${r.seen}, or 9 for the centre of the nose.`
    case 'STATION_UNSAID':
      return `The stations of ${r.machine.name}’s turret are off by different amounts. Say which station it goes into.`
    case 'NO_TIP':
      return 'Say which way its tip points: orientation 1 to 9.'
    case 'OFFSET_DIFFERS':
      return `${offsetCallText(r)} Correct the program. A lead can allow a second offset on purpose.`
  }
}

/** Why a hand-over stopped being current, as the end of "it was …" or after a colon. */
export function voidText(why: VoidReason | null): string {
  switch (why?.code) {
    case undefined:
      return 'replaced'
    case 'REPLACED':
      return `replaced by number ${why.issue}`
    case 'TAKEN_BACK':
      return `taken back: ${why.reason}`
    case 'MEASURED_AGAIN':
      return 'measured again'
    case 'BALANCED_AGAIN':
      return 'balanced again'
    case 'TAKEN_APART':
      return 'taken apart'
    case 'TAKEN_OUT':
      return `taken out of ${why.machine}`
    case 'DISTURBED':
      return why.what
    case 'SAID':
      return why.text
  }
}

/** Why a hand-over that stands is held. */
export const heldText = (held: Held, unit: LengthUnit): string =>
  held.code === 'SAID'
    ? held.text
    : `The bench had drifted by up to ${formatDeviation(held.movedMm, unit).replace('+', '')} when this tool was measured (found ${timeText(held.foundAt)}). Measure it again.`

/** What a concession leaves out of tolerance, value by value. */
const concessionValues = (c: Concession, unit: LengthUnit): string =>
  c.values
    .map(({ key, value, min, max }) => {
      const feature = key as FeatureKey
      const text = (v: number) => (isAngle(feature) ? `${v.toFixed(2)}°` : `${formatLength(v, unit)} ${unitMark(unit)}`)
      return `${featureWord(feature)} ${text(value)} (allowed ${min === null ? 'up to' : `${text(min)} to`} ${text(max)})`
    })
    .join(', ')

/** What it counts for: a job, or until a day. */
export const concessionFor = (c: Concession): string =>
  c.job !== null ? `for ${c.job}` : c.until !== null ? `until ${dayText(c.until)}` : ''

/** The line of a label. */
export const concessionLine = (c: Concession): string => `CONCESSION ${concessionFor(c)}`

export const concessionText = (c: Concession, unit: LengthUnit): string =>
  `Released out of tolerance by ${c.who} ${concessionFor(c)}: ${concessionValues(c, unit)}. Reason: ${c.reason}`
