/** What Measure says: advice about a result, and what the edges tell of the tool's seat. */
import { featureWord } from './properties'
import type { Clamping } from '@/core/fits'
import { isAngle, type Advice, type AdviceSaid, type CheckDue, type FeatureKey, type Missing, type Runout } from '@/core/judge'
import { formatDeviation, formatLength, unitMark, type LengthUnit } from '@/core/units'

const size = (mm: number, unit: LengthUnit) => `${formatLength(mm, unit)} ${unitMark(unit)}`
/** A small length without a sign. */
const small = (mm: number, unit: LengthUnit) => formatDeviation(Math.abs(mm), unit).replace('+', '')
const sizeOf = (key: FeatureKey, value: number, unit: LengthUnit) => (isAngle(key) ? `${value.toFixed(2)}°` : size(value, unit))

/** With the step it belongs to. */
const named = ({ key, step }: Missing): string =>
  step === null ? featureWord(key) : `${step}: ${featureWord(key).toLowerCase()}`

const and = (words: readonly string[]) => words.join(' and ')

export interface AdviceText {
  readonly lead: string
  readonly rest: string
}

/** How a length is changed depends on what holds the tool. */
function lengthText(byMm: number, wantedMm: number, clamping: Clamping | null, unit: LengthUnit): AdviceText {
  const by = size(Math.abs(byMm), unit)
  const way = byMm > 0 ? 'shorter' : 'longer'
  const wanted = `Wanted is ${size(wantedMm, unit)} from the gauge line.`
  switch (clamping) {
    case 'shrink':
      return {
        lead: `Shrink it in again, ${by} ${way}.`,
        rest: `Set the stop ${by} ${byMm > 0 ? 'lower' : 'higher'}. Let the nose cool fully before the next heat. ${wanted}`,
      }
    case 'collet':
    case 'single-size collet':
      return {
        lead: `Set the length ${by} ${way}.`,
        rest: `Loosen the nut, set the cutter, tighten again: tightening draws it in. ${wanted}`,
      }
    case 'arbor':
    case 'screw-in':
    case 'boring':
    case 'turning':
      return {
        lead: `It is ${by} too ${byMm > 0 ? 'long' : 'short'}.`,
        rest: `Its length cannot be set. Check for dirt at the face, the right holder and the right insert. ${wanted}`,
      }
    default:
      return { lead: `Set the length ${by} ${way}.`, rest: `${wanted} Then measure again.` }
  }
}

const centre = (eMm: number | null, unit: LengthUnit) =>
  eMm === null ? '' : ` At its edges the tool is ${small(eMm, unit)} off centre, ${small(2 * eMm, unit)} on an indicator there.`

/** What to do next, in a sentence that leads and one that explains. */
export function adviceText({ said }: Pick<Advice, 'said'>, unit: LengthUnit): AdviceText {
  switch (said.code) {
    case 'WIPE':
      return {
        lead: `Clean edge ${said.edge} and measure it again.`,
        rest: `There is something ${size(said.highMm, unit)} high on it. Stop the spindle first. No gloves near it while it turns.`,
      }
    case 'OUT_OF_FOCUS':
      return {
        lead: `Edge ${said.edge} is out of focus.`,
        rest: 'Nothing of it counts. Turn it into the plane of the light, wipe the lens, then measure again.',
      }
    case 'NOT_MEASURED':
      return {
        lead: `${and(said.missing.map(named))} could not be measured.`,
        rest: 'Move the carriage so that the whole corner is in the picture, then measure again.',
      }
    case 'LENGTH':
      return lengthText(said.byMm, said.wantedMm, said.clamping, unit)
    case 'ADJUST':
      return adjustText(said, unit)
    case 'OUTSIDE':
      return {
        lead: `${named(said)} is ${sizeOf(said.key, said.by, unit)} out of tolerance.`,
        rest:
          said.key === 'DC' || said.key === 'RE'
            ? 'Compare the mark on the cutter with the parts list. A wrong or reground cutter measures like this.'
            : 'Check how the edges are seated, then measure again.',
      }
    case 'OTHER_NOSE':
      return {
        lead: `The nose radius is ${size(said.mm, unit)}: an insert ${said.has}, not ${said.needs}.`,
        rest: 'The program expects the other radius. Change the insert, then measure again.',
      }
    case 'EDGE_OUT':
      return {
        lead: `Edge ${said.edge} is ${small(said.mm, unit)} ${said.mm > 0 ? 'high' : 'low'}.`,
        rest: `The seat of the tool explains only ${small(said.seatMm, unit)}. Look at that edge: wear, a chip, its seat or its grinding.`,
      }
    case 'OFF_CENTRE':
      return {
        lead: `The tool is ${small(said.eMm, unit)} off centre at its edges, ${small(2 * said.eMm, unit)} on an indicator there.`,
        rest: 'Clean taper and bore and clamp it again. If it stays, take it apart and look for a chip in the seat.',
      }
    case 'EDGES_DIFFER':
      return {
        lead: 'The edges do not agree.',
        rest: 'Clean all edges and the taper, clamp the tool again and measure once more.',
      }
    case 'BORDERLINE':
      return {
        lead: `${named(said)} is borderline.`,
        rest: `It is known to ± ${sizeOf(said.key, said.uncertainty, unit)}. Measure again, or a lead releases it with a reason.`,
      }
    case 'NOT_JUDGED':
      return { lead: 'No tolerance set: not judged.', rest: `Scan the holder again to save it.${centre(said.eMm, unit)}` }
    case 'IN_TOLERANCE':
      return { lead: 'In tolerance.', rest: `Scan the holder again to save it.${centre(said.eMm, unit)}` }
  }
}

function adjustText({ byMm, divisionMm, wantedMm }: Extract<AdviceSaid, { code: 'ADJUST' }>, unit: LengthUnit): AdviceText {
  const divisions = Math.abs(byMm) / divisionMm
  return {
    lead: `Adjust the head by ${divisions.toFixed(1)} divisions ${byMm > 0 ? 'smaller' : 'larger'}.`,
    rest: `Its diameter is ${size(Math.abs(byMm), unit)} too ${byMm > 0 ? 'large' : 'small'}; wanted is ${size(wantedMm, unit)}. Unlock, come from below, lock, then measure again.`,
  }
}

/**
 * What the split says: what is known, what it means at the spindle, and what nobody can know. It is measured at the edges;
 * what the shank does nobody knows from one height.
 * @param heightMm of the edges above the gauge line; null where nobody knows it
 */
export function runoutText(runout: Runout, heightMm: number | null, unit: LengthUnit): string {
  const { eccentricity: e, own, component, feed, known } = runout
  const at =
    heightMm === null
      ? 'at its edges'
      : `at its edges, ${formatLength(heightMm, unit, unit === 'mm' ? 1 : 2)} ${unitMark(unit)} above the gauge line`
  const said: string[] = []
  if (component && component.mm !== 0)
    said.push(
      `Along edge ${component.edge} the tool is ${small(component.mm, unit)} off centre ${at}. Two edges do not show it across that direction.`,
    )
  if (e && e.eMm > e.provenAboveMm)
    said.push(`The tool is ${small(e.eMm, unit)} off centre ${at} (${small(2 * e.eMm, unit)} on an indicator there).`)
  else if (e) said.push(`No runout of the seat could be measured (under ${small(e.provenAboveMm, unit)}).`)
  const worst = own?.length ? own.reduce((a, b) => (Math.abs(b.mm) > Math.abs(a.mm) ? b : a)) : null
  // what rounds to nothing is no finding
  const tells = (mm: number) => Math.abs(mm) >= LEAST_TOLD_MM
  if (worst && tells(worst.mm))
    said.push(`Edge ${worst.edge} is ${small(worst.mm, unit)} ${worst.mm < 0 ? 'low' : 'high'} as well.`)
  const most = feed.length ? feed.reduce((a, b) => (b.mm > a.mm ? b : a)) : null
  if (most && tells(most.mm)) said.push(`Edge ${most.edge} cuts ${small(most.mm, unit)} more per turn than its share.`)
  if (known === 'nothing') said.push('One edge alone tells nothing about how the tool is seated.')
  if (known === 'pattern-only')
    said.push('With three edges the seat of the tool and the seats of the edges cannot be told apart.')
  if (known === 'alternating-only') said.push('With four edges only a high-low-high-low pattern can be told from runout.')
  return said.join(' ')
}

/** Under a micrometre nothing is told. */
const LEAST_TOLD_MM = 0.0005

/** Why the master check is due. */
const DUE: Readonly<Record<CheckDue, string>> = {
  never: 'This adapter has not been checked with its master yet.',
  shift: 'The master check is too old.',
  adapter: 'The adapter was changed after the last master check.',
}
export const dueText = (due: CheckDue): string => DUE[due]
