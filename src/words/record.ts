/** What the record tells: one sentence for each code, in the reader's unit. */
import { CAUSE_NAMES } from './causes'
import { CONDITION_WORDS, lessonTitle } from './lessons'
import { pocketText } from './pocket'
import { PRACTICE_NAMES } from './properties'
import { temperatureText, torqueText } from './quantity'
import { PRACTICE } from '@/core/clamp'
import type { DriftVerdict } from '@/core/judge'
import { SPINDLE, type RecordEntry } from '@/core/tool'
import { formatDeviation, formatLength, unitMark, type LengthUnit, type Units } from '@/core/units'
import type { Entries, Entry, EntryCode } from '@/stations/entries'
import { fitStepText, gradeText, speedText } from './balance'
import { concessionText, handoverRefusalText } from './hand-over'
import { loadSaidText } from './load'
import { SCOPE_NAMES } from './people'
import { refusalText } from './refusals'
import { dayText, timeText } from './time'
import { rowText } from './set-up'
import { verdictText } from './verdict'

type Telling = { readonly [C in EntryCode]: (data: Entries[C], unit: LengthUnit, units: Units) => string }

const size = (mm: number, unit: LengthUnit) => `${formatLength(mm, unit)} ${unitMark(unit)}`
/** Parts of a sentence; what is not so is left out. */
const parts = (...said: (string | false | null)[]) => said.filter(Boolean).join('; ')
const outOfDate = (issue: number | null) => issue !== null && `hand-over ${issue} is out of date`
const pieces = (count: number, part: string) => `${count} × ${part}`

const booked = ({ count, part, place, job }: Entries['BOOKED']): string =>
  [pieces(count, part), place, job].filter((word) => word !== null).join(', ')

const heating = ({ coil, temperatureC, heat, joint }: Omit<Entries['HEATED'], 'byHand'>, units: Units): string =>
  `Coil ${coil}, to ${temperatureText(temperatureC, units)}, heat ${heat} of the joint in ${joint}`

const DISPOSITIONS = {
  again: 'used again',
  other: 'used on',
  measure: 'to be measured again',
  apart: 'to be taken apart',
  scrap: 'to be scrapped',
  broken: 'broken',
} as const

const DRIFTS: Readonly<Record<DriftVerdict, string>> = {
  first: 'its first check',
  still: 'no drift',
  drifted: 'drift taken off from now on',
  'too far': 'drift too large, taken all the same',
}

const TELLING: Telling = {
  REFUSED: ({ where, refusal }, _unit, units) => `${where}: ${refusalText(refusal, units)}`,

  JOB_ADDED: ({ job, machine, tools }) => `Job ${job} for ${machine}: ${tools === 1 ? 'one tool' : `${tools} tools`} wanted`,
  JOB_COPIED: ({ job, from }) => `Job ${job}, copied from ${from}`,
  JOB_CHANGED: ({ job, quantity, dueAt }) =>
    `${job}: ${quantity === 1 ? 'one part' : `${quantity} parts`}, starts ${timeText(dueAt)}`,
  TOOLS_ADDED: ({ job, tools }) => `${job}: ${tools.map(({ t, count }) => `${count} × T${t}`).join(', ')} wanted as well`,
  T_SAID: ({ job, t, to }) =>
    to === undefined
      ? `${job}: T${t} is found by itself again`
      : `${job}: T${t} is ${to ? `${to.name} (${to.id})` : 'left out, nothing to set up'}`,
  JOB_CLOSED: ({ job, back }) => parts(job, back > 0 && `${back} fetched ${back === 1 ? 'piece goes' : 'pieces go'} back`),
  JOB_REOPENED: ({ job, was, reason }) => parts(`${job} was ${was}`, reason),
  NEEDED_NOW: ({ t, machine }) => `T${t} is broken, ${machine} waits for its sister`,
  NOT_BROKEN: ({ job, serial, reason }) => parts(`${job}: ${serial} is not broken`, reason),
  RESERVED: ({ job }) => (job === null ? 'Free for any job' : `Reserved for ${job}`),
  GIVEN: ({ job, from }) => `Given to ${job}${from ? `, away from ${from}` : ''}: the machine waits`,
  TAKEN: ({ count, part, place, job }) => `${pieces(count, part)}, ${place ?? 'no place'}, for ${job}`,
  PUT_BACK: ({ count, part, place }) => `${pieces(count, part)} back to ${place ?? 'the tool room'}`,

  BUILD_BEGUN: ({ t, job }) => `T${t} for ${job} begun`,
  BUILD_LEFT: ({ t, job, serial }) => `T${t} for ${job} not built on ${serial}`,
  EXTENSION_ADDED: ({ part, extension, serial, shrunk }) =>
    `${part} ${extension} ${shrunk ? 'shrunk into' : 'joined to'} ${serial}`,
  HEATED: ({ byHand, ...heat }, _unit, units) =>
    byHand
      ? `By hand. ${heating(heat, units)}; about ${byHand.heatingS.toFixed(0)} s, cooled by ${byHand.way}`
      : heating(heat, units),
  HEAT_FAILED: () => 'The cutter did not go in: cooled, to be heated again',
  HEATED_OUT: ({ byHand, approval, ...heat }, _unit, units) =>
    parts(heating(heat, units), byHand && 'by hand', approval !== null && `a lead allowed it: ${approval}`),
  BUILT: ({ cutter, shrunk, serial, stopSetMm, torqueNm }, unit, units) => {
    const set =
      stopSetMm !== null ? `, stop set to ${size(stopSetMm, unit)}` : torqueNm !== null ? `, ${torqueText(torqueNm, units)}` : ''
    return `${cutter ?? 'Cutter'} ${shrunk ? 'shrunk into' : 'put into'} ${serial}${set}`
  },
  TAKEN_APART: ({ heated, wear, voided }) =>
    parts(heated ? 'Heated out' : 'Cold', ...wear.map(({ part, seen }) => `${part}: ${seen}`), outOfDate(voided)),
  DISTURBED: ({ what, voided }) =>
    parts('To be measured again', what === 'dropped' && 'its holder to be inspected', outOfDate(voided)),
  CONDITION_CORRECTED: ({ was, reason }) => `Not ${was}: ${reason}`,
  STEPS_KEPT: ({ clamping, titles }) => `Steps of ${clamping}: ${titles.join(', ')}`,

  BALANCE_WANTED: ({ grade, rpm }) => `To be balanced to ${gradeText(grade)} at ${speedText(rpm)}`,
  SPUN: ({ seat, round, grade, rpm }) =>
    parts(`Run ${round + 1} at ${seat}°`, grade !== null && `${gradeText(grade)} at ${speedText(rpm)}`),
  BALANCE_STEP: ({ step }, unit) => fitStepText(step, unit),
  BALANCED: ({ grade, wanted, goodToRpm, by }) =>
    parts(
      `${gradeText(grade)} at ${speedText(wanted.rpm)}, ${gradeText(wanted.grade)} wanted`,
      `good to ${speedText(goodToRpm)}`,
      by !== null && `typed, balanced by ${by}`,
    ),
  BALANCE_DROPPED: () => 'Balancing begins again',
  DIAL_SET: ({ dialMm, divisions, wantedMm, expectedMm }, unit) =>
    `Dial at ${divisions.toFixed(1)} divisions (${size(dialMm, unit)} on Ø) for a bore of ${size(expectedMm, unit)}, ${size(wantedMm, unit)} wanted`,
  BORE_CUT: ({ boreMm, wantedMm, next }, unit) =>
    parts(
      `Bore ${size(boreMm, unit)}, ${size(wantedMm, unit)} wanted`,
      next === 'too large' ? 'too large' : next === 'done' && 'in tolerance',
    ),
  INSERT_CHANGED: ({ machine, edge, edges, wear }) =>
    `In ${machine}: edge ${edge} of ${edges}, wear ${wear}. To be measured when it comes out`,
  TOUCHED_OFF: ({ machine, what, method, valueMm, minutes }, unit) =>
    `${machine}: ${what} ${size(valueMm, unit)}, ${method}; the machine stood ${minutes} min`,
  CALIBRATED: ({ rotor, condition }) => `Balancing spindle calibrated with ${rotor}, condition ${condition.toFixed(1)}`,

  MEASURED: ({ source, edges, verdict, voided, kept, reason }) => {
    const how = source === 'pictures' ? `${edges} ${edges === 1 ? 'edge' : 'edges'} measured` : `Figures ${source}`
    return parts(
      `${how}: ${verdictText(verdict)}`,
      outOfDate(voided),
      kept && 'the same within uncertainty, the hand-over stands',
      reason,
    )
  },
  WIPED: ({ edge }) => (edge === null ? 'All edges wiped' : `Edge ${edge} wiped`),
  TAKEN_IN: ({ name }) => `${name} came to the bench without a job`,
  ROUTINE_KEPT: ({ definition, version, why }) => `Measuring routine of ${definition}, version ${version}: ${why}`,
  BENCH_CHECKED: ({ master, verdict, reason }) => parts(`Bench checked with ${master}: ${DRIFTS[verdict]}`, reason),
  OTHER_BENCH_CHECKED: ({ master, verdict }) => `Bench without a camera checked with ${master}: ${DRIFTS[verdict]}`,
  CHECK_OVERRULED: ({ reason }) => `Measuring goes on without the master check: ${reason}`,
  MEASURE_AGAIN: ({ movedMm, loadedIn }, unit) =>
    parts(
      `The bench had drifted by up to ${formatDeviation(movedMm, unit).replace('+', '')} when this tool was measured`,
      loadedIn !== null && `it is in ${loadedIn} already`,
    ),
  ADAPTER_CHANGED: ({ serial, coupling }) => `Adapter ${serial} (${coupling}) on the spindle`,
  ADAPTER_ADDED: ({ serial, coupling }) => `Adapter ${serial} for ${coupling}`,
  MASTER_RENEWED: ({ master, until }) => `Certificate of ${master} until ${dayText(until)}`,
  PICTURES_CLEANED: ({ sets, days }) => `${sets === 1 ? 'One set' : `${sets} sets`} of pictures older than ${days} days deleted`,

  SIGNED_IN: ({ pin }) => (pin ? 'with a PIN' : 'with a badge or a tap'),
  SIGNED_OUT: () => '',
  WRONG_PIN: ({ wrong }) => (wrong === 1 ? 'once' : `${wrong} times one after the other`),
  PERSON: ({ name, role, was, retired }) =>
    retired ? `${name} does not work here any more` : was === null ? `${name}, ${role}` : `${name}: ${was} before, ${role} now`,
  PIN_SET: ({ name, none }) => (none ? `${name} has none any more` : `of ${name}`),
  SIGN_IN_RULE: ({ badgeAlone, askAgainMin, stayHours }) => {
    const how = badgeAlone ? 'A badge is enough for whoever has no PIN' : 'Nobody signs in without a PIN'
    const again =
      askAgainMin === undefined
        ? ''
        : askAgainMin === 0
          ? '; nobody is asked again'
          : `; asked again after ${askAgainMin} quiet minutes`
    const stay =
      stayHours === undefined ? '' : stayHours === 0 ? '; stays signed in' : `; signed out after ${stayHours} quiet hours`
    return `${how}${again}${stay}`
  },
  CLIENT_MADE: ({ name, scopes }) => `${name}: ${scopes.map((scope) => SCOPE_NAMES[scope]).join(', ')}`,
  CLIENT_ENDED: ({ name }) => name,
  HOOK_MADE: ({ name, url, events }) => `${name}, ${url}: ${events.join(', ')}`,
  HOOK_ENDED: ({ name }) => `${name} is not told any more`,
  SHOP_NAMED: ({ shop, unit, zone }) => parts(`the shop is called ${shop}`, `lengths in ${unit}`, zone && `times of ${zone}`),
  SHOP_BEGUN: ({ shop, name }) => `${shop}, by ${name}, the first administrator`,
  SESSIONS_ENDED: ({ name }) => `${name}, at every terminal`,
  RELEASED: ({ issue, machine, concession, against, reason }, unit) => {
    const lead = `Hand-over ${issue} for ${machine}`
    if (concession) return `${lead}. ${concessionText(concession, unit)}`
    return reason === null
      ? lead
      : `${lead}, released by a lead although: ${against.map(handoverRefusalText).join(' ')} Reason: ${reason}`
  },
  VOIDED: ({ issue, reason }) => `Hand-over ${issue} taken back: ${reason}`,
  POSTED: ({ file, machine, over }) => `${file} into ${machine}’s folder${over ? ', over the one that lay there' : ''}`,
  LABEL_PRINTED: ({ issue }) => `Label of hand-over ${issue}`,
  TAG_WRITTEN: ({ serial, issue }) => `Tag of ${serial}: hand-over ${issue}, read back`,
  TAG_WEAR: ({ serial }) => `Tag of ${serial}: wear and minutes it came back with, read back`,
  SET_UP: ({ list, name, isNew }) => `${rowText(list)} ${name} ${isNew ? 'entered' : 'changed'}`,
  SET_UP_RETIRED: ({ list, name, retired }) => `${rowText(list)} ${name} ${retired ? 'out of use' : 'in use again'}`,
  SET_UP_TABLE: ({ list, rows }) => `${rows} × ${rowText(list)} taken in from a table`,
  COUPLING_STANDARD: ({ name }) => `coupling ${name} as it came with Boulder`,
  STUDY_STARTED: ({ name, people, tools, repeats }) => `Study ${name}: ${people} people, ${tools} tools, ${repeats} times each`,
  STUDY_ENDED: ({ name }) => `Study ${name} ended`,
  CHECK_KEPT: ({ machine, own }) => (own ? `Check block of its own for ${machine}` : `Standard check block for ${machine}`),
  STATION_SET: ({ machine, station, master, off }, unit) =>
    off
      ? `Station ${station} of ${machine} by ${master}: X ${formatDeviation(off.xMm, unit)}, Z ${formatDeviation(off.zMm, unit)}`
      : `Station ${station} of ${machine}: nothing known any more`,
  LESSON_MADE: ({ title }) => `lesson “${title}” made`,
  LESSON_RETIRED: ({ title }) => `lesson “${title}” taken off`,
  LESSON_ASKED: ({ what, lesson, title }) => `${CONDITION_WORDS[what]} needs “${lessonTitle({ key: lesson, title })}” first`,
  LESSON_NOT_ASKED: ({ what, lesson, title }) =>
    `${CONDITION_WORDS[what]} does not need “${lessonTitle({ key: lesson, title })}” any more`,
  CAUSE_SAID: ({ cause, edge, told, p }) =>
    parts(
      `found: ${CAUSE_NAMES[cause]}${edge === null ? '' : ` (edge ${edge})`}`,
      told !== cause && `told was ${CAUSE_NAMES[told]}, ${Math.round(100 * p)} %`,
    ),
  TABLE_DECIDED: ({ as, difference, reason }) => {
    const what = difference.code === 'ROW_DIFFERS' ? difference.register : 'pocket or offset'
    return parts(as === 'wear' ? `${what}: the correction at the machine is wear` : `${what}: left as it is`, reason)
  },
  CAMERA_CALIBRATED: ({ master, mmPerPixel }) =>
    `Camera of a terminal calibrated on ${master}: 1 pixel is ${(1000 * mmPerPixel).toFixed(2)} µm`,
  TERMINAL_DEVICES: ({ own }) => {
    const named = Object.entries(own).map(([device, what]) => `${device} ${what}`)
    return named.length ? `devices of one terminal: ${named.join(', ')}` : 'devices of one terminal: as the shop has them'
  },
  DEVICES_CHOSEN: ({ bench, shrink, spindle, tag, printer }) =>
    `devices: bench ${bench}, shrink unit ${shrink}, balancing spindle ${spindle}, tag reader ${tag}, printer ${printer}`,
  POST_KEPT: ({ post, machine }) => `Post ${post} for ${machine}`,
  LABEL_KEPT: ({ machine }) => `Labels for ${machine}`,

  LOAD_BEGUN: ({ machine, pocket, issue }) => `For ${machine}, ${pocketText(pocket)}, by hand-over ${issue}`,
  LOAD_OVERRULED: ({ said, machine, reason }, _unit, units) => `Load: ${loadSaidText(said, machine, units)} ${reason}`,
  LOAD_DROPPED: ({ machine, pocket, reason, emptied }) =>
    parts(`For ${machine}, ${pocketText(pocket)}: ${reason}`, emptied ? 'its offset was emptied' : 'nothing was written'),
  LOADED: ({ machine, pocket, issue, typed }) =>
    parts(
      `Into ${machine}, ${pocketText(pocket)}, by hand-over ${issue}`,
      typed ? 'figures typed and read back by eye' : 'offsets written and read back',
      pocket === SPINDLE && 'by hand, changer in manual',
    ),
  RULES_KEPT: ({ machine }) => `Rules of loading ${machine}`,
  UNLOADED: ({ machine, pocket, disposition, to, wear, reason, voided, late = false }) => {
    const said = [
      DISPOSITIONS[disposition],
      ...(to === null ? [] : [`for ${to}`]),
      ...(wear === null ? [] : [wear === 'kept' ? 'its wear goes along' : 'its wear is cleared']),
    ]
    return parts(
      `Out of ${machine}, ${pocketText(pocket)}: ${said.join(', ')}`,
      reason,
      outOfDate(voided),
      late && 'it had been broken off and was ended later',
    )
  },

  PART_PUT: ({ part, name }) => `${part} ${name}`,
  DEFINITION_PUT: ({ name, version }) => `${name}, version ${version}`,
  IMPORTED: ({ parts: some, definitions, source }) => `${some} parts and ${definitions} tools from ${source}`,
  HOLDER_ADDED: ({ type }) => type,
  INSPECTED: ({ until }) => `Taper, nose and stud looked at; next ${until === null ? 'by no date' : `by ${dayText(until)}`}`,
  RETIRED: ({ reason }) => reason,
  STUD_REPLACED: ({ stud, torqueNm }, _unit, units) => `${stud}, ${torqueText(torqueNm, units)}`,
  REGROUND: ({ count, part, DCmm, OALmm }, unit) => `${pieces(count, part)} to Ø ${size(DCmm, unit)}, ${size(OALmm, unit)} long`,
  BOOKED: booked,
  BOOKING_UNDONE: (data) => `${booked(data)} (undoes booking ${data.booking}, ${data.move})`,
  PUT_AWAY: ({ unit, place }) => `${unit}, ${place}`,
  UNIT_MOVED: ({ unit }) => `${unit} moved`,
  UNIT_ADDED: ({ unit, places, slots }) => `${unit} added with ${places} ${slots ? 'slots' : 'drawers'}`,

  PRACTICE_CHANGED: ({ key, before, after }) => {
    const { unit } = PRACTICE[key]
    const [name] = PRACTICE_NAMES[key]
    return `${name}: ${before} ${unit} becomes ${after} ${unit}`.replace(/ +/g, ' ')
  },
}

/** An entry as a sentence. One of a later version, or from before there were codes, says what stands in it. */
export function recordText({ entry, text }: Pick<RecordEntry, 'entry' | 'text'>, units: Units): string {
  if (entry === null) return text
  if (!(entry.code in TELLING)) return entry.code
  const known = entry as Entry
  return (TELLING[known.code] as (data: Entries[EntryCode], unit: LengthUnit, units: Units) => string)(known, units.length, units)
}

/** What somebody else did meanwhile. */
export const lastChangeText = (entry: RecordEntry, units: Units): string =>
  `Last change: ${entry.who}, ${timeText(entry.at)}: ${recordText(entry, units)}.`
