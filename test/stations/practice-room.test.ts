/** Each fault that a lesson plants is there, shows where somebody looks, and nothing else is wrong: in the seeded room itself. */
import { rmSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { encodeFrameSet } from '@/codecs/frame-set'
import type { CauseCode } from '@/core/causes'
import { ROOMS, type FaultCode, type PlantedThing, type RoomLesson } from '@/core/practice'
import type { Picture } from '@/core/sets'
import { getAssembly } from '@/db/assembly/read'
import { listPeople } from '@/db/person/read'
import { BENCH_FACTS } from '@/devices/bench/port'
import { simulatedBench } from '@/devices/bench/simulated'
import { benchTicket, handOut } from '@/runtime/bench-ticket'
import { planterOf } from '@/runtime/plant'
import type { Shop } from '@/runtime/shop'
import { refuseBuild } from '@/stations/build/build-tool'
import { readBuild } from '@/stations/build/build-sheet'
import { readCauses } from '@/stations/causes/tool-causes'
import { plantLesson, readCards } from '@/stations/lessons/plant'
import { readLoad } from '@/stations/load/load-sheet'
import { readBench } from '@/stations/measure/bench-state'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { saveMeasurement } from '@/stations/measure/save-measurement'
import { PLANT_WORDS } from '@/words/lessons'
import { openRun, prepareRun, takeEdge } from '@/workers/bench-run'
import { measureFramesHere } from '@/workers/server/measure-frames'
import { inCopy, seedFolder } from '../support/seeded-room'

let seeded = ''
beforeAll(async () => {
  seeded = await seedFolder()
}, 300_000)
afterAll(() => rmSync(seeded, { recursive: true, force: true }))

const SEED = 20

/** A lesson with one fault, or none. */
const lessonWith = (lesson: RoomLesson, thing: string | null, fault: FaultCode | null, size = 0.5) => ({
  lesson,
  seed: SEED,
  planted: ROOMS[lesson].things.map((one, i): PlantedThing => ({
    number: i + 1,
    thing: one.thing,
    fault: one.thing === thing ? fault : null,
    size,
  })),
})

const plant = (shop: Shop, lesson: ReturnType<typeof lessonWith>) =>
  plantLesson(
    { db: shop.db, now: () => shop.clock.now(), control: shop.control, planter: planterOf(shop), words: PLANT_WORDS },
    lesson,
  )

/** Measures a tool as the bench does, whatever is on it, and says what its causes are. */
async function causesAfterMeasuring(shop: Shop, serial: string): Promise<CauseCode> {
  const { db, clock, evidence } = shop
  const sheet = readMeasure(db, serial)!
  const ticket = handOut(db, benchTicket(db, sheet.assembly), clock.now(), sheet.assembly)
  const { LF, DC, edges } = sheet.definition!
  const { zero, check } = readBench(db, clock.now())
  const task = { hint: { x: DC.nominal / 2, z: LF.nominal }, edges, sweep: false, steps: sheet.steps }
  const opened = await openRun(simulatedBench(ticket, zero), task, () => undefined)
  if (!opened.ok) throw new Error(JSON.stringify(opened.error))
  const run = await prepareRun(opened.value, () => undefined)
  const pictures: Picture[] = []
  for (let edge = 1; edge <= edges; edge++) pictures.push(...(await takeEdge(run, edge, () => undefined)))
  const frames = encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: sheet.steps[0].features, pictures })
  const work = { db, now: clock.now(), person: listPeople(db)[0] }
  const saved = await saveMeasurement(work, evidence, async (zip, steps, turning) => measureFramesHere(zip, steps, turning), {
    serial,
    scanned: serial,
    takenAt: clock.now(),
    frames,
    mmPerPixel: BENCH_FACTS.mmPerPixel,
    checkId: check!.id,
    program: sheet.program?.version ?? 0,
    reason: 'measured in a lesson',
  })
  if (!saved.ok) throw new Error(JSON.stringify(saved.error))
  return readCauses(db, serial)!.causes[0].code
}

describe('at the bench', () => {
  it('good tools are good', () =>
    inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', null, null))
      for (const serial of ['BX00144', 'BX00153', 'BX00157']) {
        expect([serial, await causesAfterMeasuring(shop, serial)]).toEqual([serial, 'NOTHING'])
        expect(readMeasure(shop.db, serial)!.last!.verdict).toBe('holds')
      }
    }))

  // the judgement draws nothing from the world of the stand-ins, and names what was planted there
  it.each([
    ['BX00157', 'OFF_CENTRE', 'OFF_CENTRE'],
    ['BX00157', 'TILTED', 'TILTED'],
    ['BX00153', 'EDGE_HIGH', 'EDGE_HIGH'],
    ['BX00157', 'EDGE_LOW', 'EDGE_LOW'],
    ['BX00153', 'WORN', 'WORN'],
    ['BX00153', 'OTHER_NOSE', 'WRONG_NOSE'],
    ['BX00157', 'LENGTH_NOT_SET', 'LENGTH_NOT_SET'],
    ['BX00157', 'CREPT', 'CREPT'],
    ['BX00144', 'WRONG_CUTTER', 'WRONG_CUTTER'],
  ] as const)('%s: %s shows', (serial, fault, cause) =>
    inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', serial, fault))
      expect(await causesAfterMeasuring(shop, serial)).toBe(cause)
    }),
  )

  it('two faults on one tool both show', () =>
    inCopy(seeded, false, async (shop) => {
      const { planted, ...lesson } = lessonWith('bench', 'BX00157', 'EDGE_HIGH')
      const both = planted.map((one) => (one.fault === null ? one : { ...one, also: 'LENGTH_NOT_SET' as const }))
      await plant(shop, { ...lesson, planted: both })
      await causesAfterMeasuring(shop, 'BX00157')
      const { features } = readMeasure(shop.db, 'BX00157')!.last!.result
      const off = features.filter(({ verdict }) => verdict === 'off').map(({ key }) => key)
      expect(off).toEqual(expect.arrayContaining(['LF', 'radialRunout']))
    }))
  it('a chip lies on one edge', () =>
    inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', 'BX00144', 'CHIP_ON_EDGE'))
      await expect(causesAfterMeasuring(shop, 'BX00144')).rejects.toThrow('DEBRIS')
    }))

  it('a tool that was just heated is warm, and the bench has an old check, another adapter, or another zero', async () => {
    await inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', 'BX00142', 'MEASURED_WARM'))
      const { heat } = getAssembly(shop.db, 'BX00142')!
      const inTenMin = new Date(Date.parse(shop.clock.now()) + 600_000).toISOString()
      expect(heat!.measureAt > inTenMin).toBe(true)
    })
    await inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', 'bench', 'OLD_MASTER'))
      expect(readBench(shop.db, shop.clock.now()).due).not.toBe(null)
    })
    await inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', 'bench', 'WRONG_ADAPTER'))
      expect(readBench(shop.db, shop.clock.now()).adapter!.coupling).not.toBe('HSK-A63')
    })
    await inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('bench', 'bench', 'ZERO_MOVED'))
      expect(await causesAfterMeasuring(shop, 'BX00144')).not.toBe('NOTHING')
    })
  })
})

describe('slips', () => {
  it('say what was planted, and nothing else', () =>
    inCopy(seeded, false, async (shop) => {
      const { planted, ...lesson } = lessonWith('slips', null, null)
      const faults = ['RADIUS_FOR_DIAMETER', 'INCH_FOR_MM', 'OTHER_DATUM', null] as const
      await plant(shop, { ...lesson, planted: planted.map((one, i) => ({ ...one, fault: faults[i] })) })
      const cards = Object.values(readCards(shop.db)).map((card) =>
        card.type === 'slip' ? { serial: card.serial, ...card.figures! } : null,
      )
      const of = (i: number) => readMeasure(shop.db, cards[i]!.serial)!.definition!
      expect(cards[0]!.size / of(0).DC.nominal).toBeCloseTo(0.5, 2)
      expect(cards[1]!.length / of(1).LF.nominal).toBeCloseTo(1 / 25.4, 3)
      expect(of(2).LF.nominal - cards[2]!.length).toBeGreaterThan(2)
      expect(Math.abs(of(3).LF.nominal - cards[3]!.length)).toBeLessThan(0.03)
      expect(Math.abs(of(3).DC.nominal - cards[3]!.size)).toBeLessThan(0.03)
    }))
})

/** What speaks against building a T with any free holder of its kind. */
function againstBuild(shop: Shop, thing: string): string[] {
  const [job, t] = thing.split('/')
  const sheet = readBuild(shop.db, job, Number(t), null, shop.clock.now())!
  const refusals = refuseBuild({ db: shop.db, now: shop.clock.now() }, sheet, HOLDER[thing])
  // a steel shank is noted: it goes in, and may not come out again
  const notes = sheet.checked.shrink?.notes.filter(({ code }) => code === 'STEEL_SHANK') ?? []
  return [...refusals.map((r) => (r.code === 'FITS' ? r.refusal.code : r.code)), ...notes.map(({ code }) => code)]
}
const HOLDER: Readonly<Record<string, string>> = {
  'HP-2207/12': 'BX00142',
  'HP-2240/6': 'BX00154',
  'HP-2240/9': 'BX00155',
  'HP-4102/1': 'BX00170',
  'HP-4102/2': 'BX00171',
}

describe('before it is put together', () => {
  it('nothing speaks against good ones', () =>
    inCopy(seeded, false, async (shop) => {
      await plant(shop, lessonWith('build', null, null))
      for (const { thing } of ROOMS.build.things) expect([thing, againstBuild(shop, thing)]).toEqual([thing, []])
    }))
  it.each(ROOMS.build.things.flatMap(({ thing, faults }) => faults.map((fault) => [thing, fault] as const)))(
    '%s: %s is refused there, and nowhere else',
    (thing, fault) =>
      inCopy(seeded, false, async (shop) => {
        await plant(shop, lessonWith('build', thing, fault))
        const CODE = {
          STEEL_SHANK_SHRUNK: 'STEEL_SHANK',
          LOOSE_SHANK: 'SHRINK',
          PART_MISSING: 'NONE_IN_STOCK',
          COLLET_BOTTOMS: 'TOO_DEEP',
        } as const
        for (const one of ROOMS.build.things)
          expect([one.thing, againstBuild(shop, one.thing)]).toEqual([
            one.thing,
            one.thing === thing ? expect.arrayContaining([CODE[fault as keyof typeof CODE]]) : [],
          ])
      }),
  )
})

const STOPS = {
  LABEL_ON_WRONG_TOOL: 'OTHER_LABEL',
  WRONG_MACHINE: 'right-machine',
  BESIDE_WIDE_TOOL: 'neighbours',
  WEAR_LEFT: 'register-empty',
  HANDED_OVER_TWICE: 'LABEL_REFUSED',
  BALANCED_FOR_LESS: 'balance',
} as const

/** Findings that stop a load, by their rule, with what the scans themselves say. */
async function againstLoad(shop: Shop, number: number): Promise<string[]> {
  const card = readCards(shop.db)[number]
  if (card.type !== 'load') throw new Error('no load')
  const { machine, serial, label, pocket } = card
  const sheet = await readLoad(shop.db, shop.control, { machine, serial, label, pocket }, shop.clock.now())
  const stops = sheet.findings.filter(({ state }) => state === 'refused' || state === 'asks').map(({ rule }) => rule)
  return [...stops, ...sheet.scans.filter((s) => s.state === 'refused').map((s) => s.said.code)]
}

describe('in front of the machine', () => {
  it('good ones may go in', () =>
    inCopy(seeded, true, async (shop) => {
      await plant(shop, lessonWith('load', null, null))
      for (const [i, { thing }] of ROOMS.load.things.entries())
        expect([thing, await againstLoad(shop, i + 1)]).toEqual([thing, []])
    }))
  it.each(ROOMS.load.things.flatMap(({ thing, faults }) => faults.map((fault) => [thing, fault] as const)))(
    '%s: %s is stopped',
    (thing, fault) =>
      inCopy(seeded, true, async (shop) => {
        await plant(shop, lessonWith('load', thing, fault))
        for (const [i, one] of ROOMS.load.things.entries()) {
          const against = await againstLoad(shop, i + 1)
          if (one.thing !== thing) expect([one.thing, against]).toEqual([one.thing, []])
          else expect([fault, against]).toEqual([fault, expect.arrayContaining([STOPS[fault as keyof typeof STOPS]])])
        }
      }),
  )
})
