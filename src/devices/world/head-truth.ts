/**
 * What a simulated boring head is really like: play in its slide, a dial that says a little too much or too little, a lock screw that
 * pushes the slide. Only stand-ins read it.
 */
import { seededRandom } from '@/core/numeric'
import { degToRad } from '@/core/units'

export interface HeadTruth {
  /** What it cuts more than its maker says at dial zero, mm on diameter. */
  readonly zeroOffMm: number
  /** How far the slide really goes, as a share of what the dial says. */
  readonly share: number
  /** Play between dial and slide, and what the lock screw pushes the slide, mm on diameter. */
  readonly backlashMm: number
  readonly lockMm: number
  /** Where dial and slide stand now, mm on diameter from zero. */
  readonly dialMm: number
  readonly slideMm: number
}

/** Greatest play, share of the dial and push of the lock, as formed in heads that are in use (common practice, no source). */
const BACKLASH_MM = 0.03
const DIAL_SHARE = 0.03
const LOCK_MM = 0.01
const ZERO_SIGMA_MM = 0.01

export function makeHead(seed: number): HeadTruth {
  const { uniform, normal } = seededRandom(seed)
  const backlashMm = BACKLASH_MM * uniform()
  return {
    zeroOffMm: ZERO_SIGMA_MM * normal(),
    share: 1 + DIAL_SHARE * (2 * uniform() - 1),
    backlashMm,
    lockMm: LOCK_MM * (2 * uniform() - 1),
    dialMm: 0,
    slideMm: 0,
  }
}

/** The dial is turned: the slide follows once the play is taken up. */
export function turned(head: HeadTruth, dialMm: number): HeadTruth {
  const goes = head.share * dialMm
  // the screw pushes outwards with one flank of its thread, and pulls back with the other
  const slideMm = dialMm >= head.dialMm ? Math.max(head.slideMm, goes - head.backlashMm) : Math.min(head.slideMm, goes)
  return { ...head, dialMm, slideMm }
}

/** What is on the head, as the library has it: mm and degrees. */
export interface OnHead {
  readonly zeroMm: number
  readonly nominalNoseMm: number
  readonly noseMm: number
  readonly KAPR: number
  readonly EPSR: number
}

/** How far out the nose of an insert reaches whose corner would be at the origin, mm: laid into both walls of its pocket. */
function reaches(noseMm: number, KAPR: number, EPSR: number): number {
  const middle = degToRad(KAPR + EPSR / 2)
  const toCentre = noseMm / Math.sin(degToRad(EPSR) / 2)
  return noseMm - toCentre * Math.sin(middle)
}

/** The bore that it cuts as it is locked now, mm. @param chance of the cut and the measuring of it, mm */
export const boreOf = (head: HeadTruth, on: OnHead, chance: number): number =>
  on.zeroMm +
  head.zeroOffMm +
  head.slideMm +
  head.lockMm +
  2 * (reaches(on.noseMm, on.KAPR, on.EPSR) - reaches(on.nominalNoseMm, on.KAPR, on.EPSR)) +
  chance

export const toHeadTicket = (head: HeadTruth): string => Buffer.from(JSON.stringify(head)).toString('base64')
export const fromHeadTicket = (ticket: string): HeadTruth =>
  JSON.parse(Buffer.from(ticket, 'base64').toString('utf8')) as HeadTruth
