/** What lessons in the practice room say of themselves and of each fault. */
import { isRoomLesson, type FaultCode, type RoomLesson } from '@/core/practice'
import type { SlipHow } from '@/stations/lessons/contract'
import { CAUSE_NAMES } from './causes'

interface LessonWords {
  readonly title: string
  readonly job: string
  readonly goal: string
}

export const LESSON_WORDS: Readonly<Record<RoomLesson, LessonWords>> = {
  tour: {
    title: 'One tool all the way',
    job: 'Take T12 of job HP-2207 from the drawer into the machine and back.',
    goal: 'See every station once. You can leave at any time.',
  },
  bench: {
    title: 'At the bench',
    job: 'Four tools and the bench itself. Measure each tool, and look at the masters.',
    goal: 'Say what is wrong with each, before it goes to a machine.',
  },
  slips: {
    title: 'Figures on slips',
    job: 'The night shift left figures on slips. Type them in or measure again.',
    goal: 'Say which slip cannot be used, and why.',
  },
  build: {
    title: 'Before it is put together',
    job: 'Five tools are to be built. Look at each of them in Build.',
    goal: 'Say which must not be built as they are, and why.',
  },
  load: {
    title: 'In front of the machine',
    job: 'Four tools stand on the cart, each with its label. Scan machine, holder and label.',
    goal: 'Say what must not go in as it is, and why.',
  },
}

/** What a lesson is needed for. */
export const CONDITION_WORDS = { load: 'loading', shrink: 'heating a holder' } as const

/** A lesson by its name; `title` is that of one that a lead made. */
export function lessonTitle({ key, title }: { readonly key: string; readonly title: string | null }): string {
  if (title !== null) return title
  return isRoomLesson(key) ? LESSON_WORDS[key].title : 'Read the edges'
}

/** Each fault in a few words, for choices and results. */
export const FAULT_NAMES: Readonly<Record<FaultCode | 'NOTHING', string>> = {
  ...CAUSE_NAMES,
  RADIUS_FOR_DIAMETER: 'radius for diameter',
  INCH_FOR_MM: 'inches for millimetres',
  OTHER_DATUM: 'length from another datum',
  CHIP_ON_EDGE: 'a chip on the edge',
  WRONG_ADAPTER: 'wrong adapter on the bench',
  OLD_MASTER: 'master check too old',
  COLLET_BOTTOMS: 'shank finds the bottom',
  STEEL_SHANK_SHRUNK: 'steel shank in a shrink holder',
  WEAR_LEFT: 'wear left in the control',
  LABEL_ON_WRONG_TOOL: 'label of another tool',
  WRONG_MACHINE: 'made for another machine',
  BESIDE_WIDE_TOOL: 'pocket beside a wide tool',
  MEASURED_WARM: 'still warm',
  STILL_FRAME: 'one still picture of each edge',
  TWO_EDGES: 'only two edges looked at',
  LOOSE_SHANK: 'shank too coarse to hold',
  OTHER_NOSE: 'another nose radius',
  HANDED_OVER_TWICE: 'label of an old hand-over',
  BALANCED_FOR_LESS: 'balanced for a lower speed',
  PART_MISSING: 'a part is missing',
}

/** What to look at next time. */
export const LOOK_AT: Readonly<Record<FaultCode, string>> = {
  OFF_CENTRE:
    'The radii rise and fall once round the tool, at every height alike. Take it off, wipe taper and face, seat it again.',
  TILTED:
    'The radii rise and fall once round, more at the tip than further down. Measure a second height, then look for a chip on the face.',
  EDGE_HIGH: 'One edge stands out, the others agree. Look at the seat of that insert, or at what sticks to it.',
  EDGE_LOW: 'One edge is low, the others agree. Look at the edge itself for a chipped corner.',
  WRONG_NOSE: 'The corner radius is another one, and length and diameter go with it. Read the insert.',
  WORN: 'All edges are small, most of all at the tip. Hold it against what it measured when it was new.',
  WARM: 'It measures long and gets shorter while you watch. Wait until it is cold.',
  LENGTH_NOT_SET: 'All edges agree, and the length is off. Set it before you measure again.',
  CREPT: 'It is longer than it was before it cut. Look at collet, nut and torque.',
  WRONG_CUTTER: 'The diameter is another one, and all edges agree on it. Read the shank.',
  ZERO_MOVED: 'Every tool is off by the same amount. Check the bench with its master.',
  RADIUS_FOR_DIAMETER: 'Half of what the tool should have: somebody wrote the radius. Ask what a figure is before you type it.',
  INCH_FOR_MM: 'A length that is 25.4 times too small is in inches. A figure without a unit is no figure.',
  OTHER_DATUM: 'The length is short by a few millimetres: it was taken from the spindle’s face, not from the gauge line.',
  CHIP_ON_EDGE: 'The outline has a bulge where the edge should run on. Wipe it, and measure again.',
  WRONG_ADAPTER: 'The adapter on the spindle is for another taper. Read its mark before the first tool.',
  OLD_MASTER: 'The last master check is older than a shift. Check the bench before you believe it.',
  COLLET_BOTTOMS:
    'The shank is longer than the room behind the collet: it stands on the bottom and pushes out. Look at the depth on the Build sheet.',
  STEEL_SHANK_SHRUNK: 'A steel shank grows with the holder and does not come out again. Read what the shank is made of.',
  WEAR_LEFT: 'The new length is sent, and the old wear is still added to it. Look at the wear before the first cut.',
  LABEL_ON_WRONG_TOOL: 'The label names another holder. Scan both, at the machine.',
  WRONG_MACHINE: 'The hand-over was made for another machine: other registers, perhaps another unit. Scan the machine first.',
  BESIDE_WIDE_TOOL: 'The tool in the next pocket is too wide for a neighbour. Take the pocket that is proposed.',
  MEASURED_WARM: 'It was heated a few minutes ago and measures long. Let it cool, or it will be short in the cut.',
  STILL_FRAME: 'A helical edge passes its highest point between two pictures. Turn the tool while it is measured.',
  TWO_EDGES: 'Two opposite edges cannot show how far a tool is off centre across them. Measure all edges.',
  LOOSE_SHANK: 'A shank of h7 may be too thin to be held. Shrink h6 or better.',
  OTHER_NOSE: 'The corner radius is another one than the tool has. Read the insert or the cutter.',
  HANDED_OVER_TWICE: 'The tool was handed over again since this label was printed. Scan the label, do not read it.',
  BALANCED_FOR_LESS: 'It was balanced for a lower speed than the program turns. Look at the speed beside the grade.',
  PART_MISSING: 'There is none of a part in the drawer. Count before you heat.',
}

/** What the people of the practice room have written down. */
export const PLANT_WORDS = {
  flankAt: (downMm: number) => `Flank at ${downMm} mm`,
  whyRoutine: 'a second height tells a lean',
  whyReleased: 'made ready for the machine',
  whyTakenBack: 'measured once more',
  balancedBy: 'balancing shop',
} as const

export const SLIP_HOW: Readonly<Record<SlipHow, string>> = {
  turned: 'all edges, over a whole turn',
  still: 'one picture of each edge',
  opposite: 'over two opposite edges, with a caliper',
}
