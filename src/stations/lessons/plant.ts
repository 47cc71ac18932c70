/**
 * Makes the practice room ready for one lesson: builds what it needs, and puts its faults on things. What somebody would have in
 * their hands (slips, labels, where a tool is to go) becomes a card.
 */
import { faultsOf, ROOMS, type PlantedThing, type RoomLesson } from '@/core/practice'
import { controlT, isLead, loadLimitsOf, magazineOf, type Component, type Definition, type Machine } from '@/core/tool'
import { mmToUnit, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { listAdapters } from '@/db/bench/read'
import { inTransaction, type Db } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { componentVersion, getComponent, getDefinition } from '@/db/library/read'
import { updateComponent } from '@/db/library/write'
import { getMachine, listMachines } from '@/db/machine/read'
import { listPeople } from '@/db/person/read'
import { lyingOf } from '@/db/stock/read'
import { getThing } from '@/db/truth/read'
import { putThing } from '@/db/truth/write'
import type { Control } from '@/devices/control/port'
import { typeBalance } from '../balance/correct'
import { readBuild } from '../build/build-sheet'
import { buildTool } from '../build/build-tool'
import { releaseHandover } from '../hand-over/release-hand-over'
import { voidHandover } from '../hand-over/void-hand-over'
import { keepLimits } from '../load/keep-limits'
import { changeAdapter } from '../measure/adapter'
import { readMeasure } from '../measure/measure-sheet'
import { keepProgram } from '../measure/keep-program'
import { book, moves } from '../store/book'
import type { Work } from '../work'
import type { Card, SlipHow } from './contract'

/** What a lesson does to the world behind the room’s stand-ins; handed in, so that nobody here looks inside. */
export interface Planter {
  /** Takes everything that is wrong off a tool. */
  readonly sound: (serial: string) => void
  /** All of them on one tool. @param size 0 the smallest that is planted, 1 the largest */
  readonly onTool: (serial: string, faults: readonly string[], size: number, seed: number) => void
  readonly moveZero: (size: number, seed: number) => void
  readonly letTimePass: (hours: number) => void
}

/** What the room’s own people have written down. */
export interface PlantWords {
  readonly flankAt: (downMm: number) => string
  readonly whyRoutine: string
  readonly whyReleased: string
  readonly whyTakenBack: string
  readonly balancedBy: string
}

export interface RoomToPlant {
  readonly db: Db
  readonly now: () => string
  readonly control: Control
  readonly planter: Planter
  readonly words: PlantWords
}

interface Lesson {
  readonly lesson: RoomLesson
  readonly seed: number
  readonly planted: readonly PlantedThing[]
}

/** The card of each thing, by its number; empty outside of a practice room. */
export const readCards = (db: Db): Readonly<Record<number, Card>> =>
  JSON.parse(getThing(db, CARDS) ?? '{}') as Readonly<Record<number, Card>>
const CARDS = 'cards'

const MINUTE_MS = 60_000

/** A faulty seed is a fault of ours: nobody in the room could do anything about it. */
function sure<T>(what: string, done: Result<T, { readonly code: string }>): T {
  if (!done.ok) throw new Error(`the practice room cannot be made ready: ${what}: ${JSON.stringify(done.error)}`)
  return done.value
}

/** The room’s own lead, some minutes ago. */
function workOf({ db, now }: RoomToPlant, minutesAgo = 0): Work {
  const person = listPeople(db).find(isLead)
  if (!person) throw new Error('the practice room has no lead')
  return { db, now: new Date(Date.parse(now()) - minutesAgo * MINUTE_MS).toISOString(), person }
}

export async function plantLesson(room: RoomToPlant, { lesson, seed, planted }: Lesson): Promise<void> {
  const cards: Record<number, Card> = {}
  const ctx = { room, seed }
  await PREPARE[lesson](room, planted)
  for (const one of planted) cards[one.number] = await PLANT[lesson](ctx, one)
  inTransaction(room.db, (tx) => putThing(tx, CARDS, JSON.stringify(cards)))
}

interface Planting {
  readonly room: RoomToPlant
  readonly seed: number
}
const seedOf = ({ seed }: Planting, { number }: PlantedThing) => seed + 1000 * number

/** Built so long ago that it is cold. */
const COLD_MIN = 180
const SPARE = 'BX00142'

const buildSpare = (room: RoomToPlant) => sure('build', buildTool(workOf(room, COLD_MIN), 'HP-2207', 12, SPARE))

/** A reamer: its edges run straight, so that each stands at one angle at every height. */
const TALL = 'BX00157'
const DOWN_MM = 50
/** A routine with a place further down, so that a lean can be told from an offset. */
function addHeight(room: RoomToPlant): void {
  const { DC } = definitionOf(room.db, TALL)
  const sheet = readMeasure(room.db, TALL)
  if (!sheet) throw new Error(`the practice room has no tool on ${TALL}`)
  const steps = [
    ...sheet.steps,
    { name: room.words.flankAt(DOWN_MM), at: { xMm: DC.nominal / 2 - 1.2, downMm: DOWN_MM }, features: ['DC'], limits: {} },
  ] as const
  sure('routine', keepProgram(workOf(room, 30), { serial: TALL, steps, base: 0, why: room.words.whyRoutine }))
}

/** Every tool has cut: that one has tells nothing of what is wrong with it. */
function haveCut({ db }: RoomToPlant, planted: readonly PlantedThing[]): void {
  for (const { thing, number } of planted) {
    const assembly = getAssembly(db, thing)
    if (assembly) inTransaction(db, (tx) => moveAssembly(tx, assembly, { state: assembly.state, cutMin: 12 + 7 * number }))
  }
}

/** Heated a moment ago, and left to cool in air: it stays warm as long as the lesson takes. */
function warmUp(room: RoomToPlant, serial: string): void {
  const assembly = getAssembly(room.db, serial)
  const heat = assembly?.heat
  const sheet = assembly?.job && assembly.t !== null ? readBuild(room.db, assembly.job, assembly.t, null, room.now()) : null
  const shrink = sheet?.checked.shrink
  if (!assembly || !heat || !shrink) throw new Error(`nothing was shrunk on ${serial}`)
  const from = Date.parse(room.now())
  const after = (s: number) => new Date(from + 1000 * s).toISOString()
  const tauS = shrink.taus.air
  inTransaction(room.db, (tx) =>
    moveAssembly(tx, assembly, {
      state: assembly.state,
      heat: { ...heat, endedAt: room.now(), tauS, touchAt: after(2 * tauS), measureAt: after(5 * tauS) },
    }),
  )
}

function definitionOf(db: Db, serial: string): Definition {
  const assembly = getAssembly(db, serial)
  const definition = assembly?.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  if (!definition) throw new Error(`the practice room has no tool on ${serial}`)
  return definition
}

/** Everything is good before anything is planted. */
const allSound = ({ planter }: RoomToPlant, planted: readonly PlantedThing[]) =>
  planted.filter(({ thing }) => thing !== 'bench').forEach(({ thing }) => planter.sound(thing))

const PREPARE: Readonly<Record<RoomLesson, (room: RoomToPlant, planted: readonly PlantedThing[]) => Promise<void> | void>> = {
  tour: () => undefined,
  bench: (room, planted) => {
    buildSpare(room)
    addHeight(room)
    haveCut(room, planted)
    allSound(room, planted)
  },
  slips: (room, planted) => {
    buildSpare(room)
    allSound(room, planted)
  },
  build: () => undefined,
  load: async (room, planted) => {
    const work = workOf(room, 60)
    // in the seed some tools were measured weeks ago
    for (const machine of listMachines(room.db)) {
      const limits = { ...loadLimitsOf(machine), measuredDays: 60 }
      sure('rules', keepLimits(work, machine.key, limits, magazineOf(machine), machine.version))
    }
    for (const { thing, fault, size } of planted) {
      const { balance, programRpm } = definitionOf(room.db, thing)
      const { grade, rpm } = balance ?? { grade: FINE_GRADE, rpm: programRpm }
      // before it is handed over: a tool that is balanced later goes back to Hand over
      const to = fault === 'BALANCED_FOR_LESS' ? Math.round(rpm * (0.3 + 0.2 * size)) : rpm
      sure('balance', typeBalance(work, { serial: thing, grade, rpm: to, by: room.words.balancedBy }))
      if (!currentHandover(room.db, thing)) sure('release', await release(room, thing))
    }
  },
}

/** ISO 21940-11: usual for tools that turn fast. */
const FINE_GRADE = 2.5

const release = (room: RoomToPlant, serial: string) =>
  releaseHandover(workOf(room, 50), room.control, { serial, scanned: serial, reason: room.words.whyReleased })

type Plant = (planting: Planting, one: PlantedThing) => Card | Promise<Card>

const PLANT: Readonly<Record<RoomLesson, Plant>> = {
  // nothing is planted in it
  tour: () => ({ type: 'bench' }),
  bench: (planting, one) => (one.thing === 'bench' ? plantBench(planting, one) : plantTool(planting, one)),
  slips: ({ room }, one) => slipOf(definitionOf(room.db, one.thing), one),
  build: ({ room }, one) => plantJob(room, one),
  load: ({ room }, one) => plantLoad(room, one),
}

const LONG_AGO_HOURS = 10

function plantBench(planting: Planting, one: PlantedThing): Card {
  const { room } = planting
  if (one.fault === 'ZERO_MOVED') room.planter.moveZero(one.size, seedOf(planting, one))
  if (one.fault === 'OLD_MASTER') room.planter.letTimePass(LONG_AGO_HOURS)
  if (one.fault === 'WRONG_ADAPTER') {
    const other = listAdapters(room.db).find(({ coupling }) => coupling !== 'HSK-A63')
    if (other) sure('adapter', changeAdapter(workOf(room), other.serial))
  }
  return { type: 'bench' }
}

function plantTool(planting: Planting, one: PlantedThing): Card {
  if (one.fault === 'MEASURED_WARM') warmUp(planting.room, one.thing)
  else if (one.fault !== null) planting.room.planter.onTool(one.thing, faultsOf(one), one.size, seedOf(planting, one))
  return { type: 'tool', serial: one.thing }
}

/** What a still picture misses of a helical edge, and how far the spindle’s face lies from the gauge line, mm (both assumed). */
const [STILL_MISSES_MM, FACE_MM] = [0.03, 3.2]

/** A slip as somebody left it on the bench. @param size scatters the last digits */
function slipOf({ LF, DC }: Definition, { thing, fault, size }: PlantedThing): Card {
  const [lengthMm, sizeMm] = [LF.nominal + 0.02 * (size - 0.5), DC.nominal - 0.004 - 0.004 * size]
  const how: SlipHow = fault === 'STILL_FRAME' ? 'still' : fault === 'TWO_EDGES' ? 'opposite' : 'turned'
  return {
    type: 'slip',
    serial: thing,
    figures: {
      how,
      length: fault === 'INCH_FOR_MM' ? mmToUnit(lengthMm, 'inch') : fault === 'OTHER_DATUM' ? lengthMm - FACE_MM : lengthMm,
      size: fault === 'RADIUS_FOR_DIAMETER' ? sizeMm / 2 : fault === 'STILL_FRAME' ? sizeMm - STILL_MISSES_MM : sizeMm,
      decimals: fault === 'INCH_FOR_MM' ? 4 : 3,
    },
  }
}

/** How much longer a shank is that finds the bottom, mm. */
const TOO_LONG_MM = 60

function plantJob(room: RoomToPlant, { thing, fault }: PlantedThing): Card {
  const [job, t] = thing.split('/')
  const sheet = readBuild(room.db, job, Number(t), null, room.now())
  const cutter = sheet?.parts.find(({ line }) => line.role === 'cutter')?.component
  if (!sheet || !cutter) throw new Error(`the practice room has no ${thing} to build`)
  const change = (to: object) =>
    inTransaction(room.db, (tx) => updateComponent(tx, { ...cutter, ...to } as Component, componentVersion(tx, cutter.id)))
  if (fault === 'STEEL_SHANK_SHRUNK') change({ shankMaterial: 'HSS' })
  if (fault === 'LOOSE_SHANK') change({ shankClass: 'h7' })
  if (fault === 'COLLET_BOTTOMS')
    change({ OAL: TOO_LONG_MM + Number((getComponent(room.db, cutter.id) as { OAL?: number }).OAL) })
  if (fault === 'PART_MISSING')
    for (const { place, count } of lyingOf(room.db, cutter.id))
      sure('stock', book(workOf(room), moves.regrindAway(cutter.id, count, place)))
  return { type: 'job', job, t: Number(t) }
}

function knownMachine(db: Db, key: string): Machine {
  const machine = getMachine(db, key)
  if (!machine) throw new Error(`the practice room has no machine ${key}`)
  return machine
}

const GOOD_POCKETS = [12, 15, 47, 53] as const
/** Beside the face mill that has stood in pocket 26 since before the record. */
const BESIDE_WIDE = 27
const WEAR_LEFT_MM = 0.08

async function plantLoad(room: RoomToPlant, { number, thing, fault }: PlantedThing): Promise<Card> {
  const own = currentHandover(room.db, thing)
  if (!own) throw new Error(`the practice room has no hand-over for ${thing}`)
  const { machine } = own.values
  let label = own.label
  if (fault === 'HANDED_OVER_TWICE') {
    sure('take back', voidHandover(workOf(room, 40), thing, room.words.whyTakenBack))
    sure('release', await release(room, thing))
  }
  if (fault === 'LABEL_ON_WRONG_TOOL') {
    const other = ROOMS.load.things.map((one) => one.thing).find((serial) => serial !== thing)
    label = (other && currentHandover(room.db, other)?.label) ?? label
  }
  if (fault === 'WEAR_LEFT') {
    const row = controlT(own.values, knownMachine(room.db, machine))
    sure('wear', await room.control.run(machine, `G90 G21\nG10 L11 P${row} R${WEAR_LEFT_MM}`))
  }
  return {
    type: 'load',
    serial: thing,
    machine: fault === 'WRONG_MACHINE' ? (machine === 'HERON' ? 'DIPPER' : 'HERON') : machine,
    pocket: fault === 'BESIDE_WIDE_TOOL' ? BESIDE_WIDE : machine === 'HERON' ? GOOD_POCKETS[number % GOOD_POCKETS.length] : 3,
    label,
  }
}
