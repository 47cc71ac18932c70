/** Lessons in the practice room: which things are looked at, what may be wrong with each, and how long it should take. */
import { seededRandom } from '../numeric'
import type { PlantedTool } from './lesson'
import { comesNext, type Memory } from './memory'
import type { FaultCode } from './traps'

/** Something in the room that may have a fault. */
export interface Thing {
  /** A holder’s mark, `bench`, or a job with its T such as `HP-2207/12`. */
  readonly thing: string
  readonly faults: readonly FaultCode[]
}

export type PlantedThing = PlantedTool & Required<Pick<PlantedTool, 'thing'>>

/** Of so many things so many may be faulty at most: good ones stand among them. */
const FAULTY_SHARE = 0.6

/**
 * What is due comes first; each fault goes to a thing that can have it, some get a second one beside it, and the rest is good.
 * @param things none, or at least 2
 */
export function drawRoom(
  things: readonly Thing[],
  memories: readonly Memory[],
  seed: number,
  now: string,
): readonly PlantedThing[] {
  const { uniform } = seededRandom(seed)
  const shuffled = <T>(all: readonly T[]): T[] =>
    all
      .map((item) => ({ item, at: uniform() }))
      .sort((a, b) => a.at - b.at)
      .map(({ item }) => item)
  const most = Math.min(things.length, Math.max(1, Math.floor(FAULTY_SHARE * things.length)))
  const free = new Set(shuffled(things))
  const given = new Map<Thing, FaultCode>()
  // what is equally due comes in another order each time
  const codes = shuffled([...new Set(things.flatMap(({ faults }) => faults))])
  for (const code of comesNext(codes, memories, now)) {
    if (given.size === most) break
    const thing = [...free].find(({ faults }) => faults.includes(code))
    if (!thing) continue
    free.delete(thing)
    given.set(thing, code)
  }
  return things.map((thing, i) => {
    const fault = given.get(thing) ?? null
    const beside = fault === null || uniform() > TOGETHER_SHARE ? [] : shuffled(besideOf(fault, thing.faults))
    return { number: i + 1, thing: thing.thing, fault, ...(beside.length > 0 && { also: beside[0] }), size: uniform() }
  })
}

/** Of so many faulty tools two things are wrong, where both can be seen. */
const TOGETHER_SHARE = 0.35
/** Faults that leave each other to be seen: one of the radii, one of the lengths or the corner. */
const TOGETHER: readonly (readonly [FaultCode, FaultCode])[] = [
  ['EDGE_HIGH', 'LENGTH_NOT_SET'],
  ['EDGE_LOW', 'LENGTH_NOT_SET'],
  ['OTHER_NOSE', 'LENGTH_NOT_SET'],
  ['WRONG_CUTTER', 'LENGTH_NOT_SET'],
  ['OFF_CENTRE', 'LENGTH_NOT_SET'],
  ['OTHER_NOSE', 'EDGE_HIGH'],
]
const besideOf = (fault: FaultCode, possible: readonly FaultCode[]): readonly FaultCode[] =>
  TOGETHER.flatMap(([a, b]) => (a === fault ? [b] : b === fault ? [a] : [])).filter((code) => possible.includes(code))

/** What a lesson can be asked for: loading a machine, heating a holder. */
export const CONDITIONS_ON = ['load', 'shrink'] as const
export type ConditionOn = (typeof CONDITIONS_ON)[number]

export const ROOM_LESSONS = ['bench', 'slips', 'build', 'load'] as const
/** One tool all the way, in a room in which nothing is wrong. */
export const TOUR = 'tour'
export type RoomLesson = (typeof ROOM_LESSONS)[number] | typeof TOUR

interface Room {
  /** How long it should take. */
  readonly minutes: number
  readonly things: readonly Thing[]
}

const EDGE: readonly FaultCode[] = ['EDGE_HIGH', 'EDGE_LOW']
const SOLID: readonly FaultCode[] = [...EDGE, 'OTHER_NOSE', 'LENGTH_NOT_SET', 'WRONG_CUTTER', 'CHIP_ON_EDGE']
const ON_SLIPS: readonly FaultCode[] = ['RADIUS_FOR_DIAMETER', 'INCH_FOR_MM', 'OTHER_DATUM', 'STILL_FRAME', 'TWO_EDGES']
const AT_LOAD: readonly FaultCode[] = ['LABEL_ON_WRONG_TOOL', 'WRONG_MACHINE', 'BESIDE_WIDE_TOOL', 'WEAR_LEFT']
const SHRUNK: readonly FaultCode[] = ['STEEL_SHANK_SHRUNK', 'LOOSE_SHANK', 'PART_MISSING']
const IN_COLLET: readonly FaultCode[] = ['COLLET_BOTTOMS', 'PART_MISSING']

/** The things stand in the seeded room. */
export const ROOMS: Readonly<Record<RoomLesson, Room>> = {
  tour: { minutes: 15, things: [] },
  bench: {
    minutes: 20,
    things: [
      { thing: 'BX00144', faults: SOLID },
      { thing: 'BX00142', faults: [...SOLID, 'MEASURED_WARM'] },
      { thing: 'BX00153', faults: [...EDGE, 'WORN', 'OTHER_NOSE'] },
      // measured at a second height too, without which a lean and an offset look alike
      { thing: 'BX00157', faults: [...EDGE, 'OFF_CENTRE', 'TILTED', 'CREPT', 'LENGTH_NOT_SET'] },
      { thing: 'bench', faults: ['ZERO_MOVED', 'OLD_MASTER', 'WRONG_ADAPTER'] },
    ],
  },
  slips: { minutes: 10, things: ['BX00144', 'BX00142', 'BX00153', 'BX00157'].map((thing) => ({ thing, faults: ON_SLIPS })) },
  build: {
    minutes: 10,
    things: [
      { thing: 'HP-2207/12', faults: SHRUNK },
      // a piece of its cutter was fetched already
      { thing: 'HP-2240/6', faults: ['COLLET_BOTTOMS'] },
      { thing: 'HP-2240/9', faults: IN_COLLET },
      { thing: 'HP-4102/1', faults: SHRUNK },
      { thing: 'HP-4102/2', faults: IN_COLLET },
    ],
  },
  load: {
    minutes: 15,
    things: [
      { thing: 'BX00144', faults: [...AT_LOAD, 'HANDED_OVER_TWICE', 'BALANCED_FOR_LESS'] },
      { thing: 'BX00153', faults: [...AT_LOAD, 'HANDED_OVER_TWICE', 'BALANCED_FOR_LESS'] },
      { thing: 'BX00157', faults: [...AT_LOAD, 'HANDED_OVER_TWICE'] },
      { thing: 'BX00145', faults: ['LABEL_ON_WRONG_TOOL', 'WRONG_MACHINE', 'HANDED_OVER_TWICE'] },
    ],
  },
}
/** Every lesson that has a room. */
export const WITH_ROOM: readonly RoomLesson[] = [TOUR, ...ROOM_LESSONS]
export const isRoomLesson = (name: string): name is RoomLesson => WITH_ROOM.some((one) => one === name)
