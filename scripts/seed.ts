/** Fills an empty data folder with the demo: made-up people, machines and tools, taken through the same verbs that the pages use. */
import { encodeFrameSet } from '@/codecs/frame-set'
import type { Picture } from '@/core/sets'
import { seededRandom } from '@/core/numeric'
import type { Coupling } from '@/core/tool'
import type { Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { lastCheck, listAdapters, listMasters } from '@/db/bench/read'
import { insertAdapter, insertCheck } from '@/db/bench/write'
import { inTransaction } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { simulatedBench } from '@/devices/bench/simulated'
import { BENCH_FACTS } from '@/devices/bench/port'
import { simulatedSpindle } from '@/devices/spindle/simulated'
import { theShop } from '@/runtime'
import { masterTicket, wipeTicket } from '@/runtime/bench-ticket'
import { unbalanceTicket } from '@/runtime/unbalance-ticket'
import { buildTool } from '@/stations/build/build-tool'
import { putSimTag } from '@/db/truth/write'
import { writeTag } from '@/stations/hand-over/write-tag'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob } from '@/stations/kit/add-job'
import { takePart } from '@/stations/kit/pick'
import { writeNote } from '@/stations/kit/shift'
import { readBench } from '@/stations/measure/bench-state'
import { saveCheck } from '@/stations/measure/check-bench'
import { keepProgram } from '@/stations/measure/keep-program'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { saveMeasurement, type MeasureFrames } from '@/stations/measure/save-measurement'
import { putIntoPlace } from '@/stations/store/slot'
import type { Work } from '@/stations/work'
import { emptyLight, evenBench, standStill } from '@/workers/bench-cycle'
import { openRun, prepareRun, takeEdge } from '@/workers/bench-run'
import { calibrateByHand } from './calibrate-by-hand'
import { loadByHand } from './load-by-hand'
import { fillLibrary, seedFile, seedProgram, type SeedJob } from './fill-library'
import { measureFramesHere } from '@/workers/server/measure-frames'

const now = Date.now()
const at = (minutes: number) => new Date(now + 60_000 * minutes).toISOString()

interface SeedTool {
  readonly serial: string
  readonly job: string
  readonly t: number
  readonly upTo: 'built' | 'measured' | 'released' | 'loaded'
  readonly person: string
  readonly minutesAgo: number
  readonly place?: string
}

const { db, control, hands, evidence, tagOf } = theShop()

/** Nobody waits for a seed: no threads. */
const measure: MeasureFrames = async (zip, steps, turning) => measureFramesHere(zip, steps, turning)
function must<T, E extends { code: string }>(what: string, result: Result<T, E>): T {
  if (!result.ok) throw new Error(`${what}: ${JSON.stringify(result.error)}`)
  return result.value
}

const { people } = fillLibrary(db, at)

const workOf = (personId: string, minutesAgo: number): Work => ({
  db,
  now: at(-minutesAgo),
  person: people.find((p) => p.id === personId)!,
})

for (const job of seedFile<SeedJob[]>('jobs.json'))
  must(
    job.id,
    addJob(workOf('oda', 28_000), {
      ...job,
      dueAt: at(job.dueInMinutes),
      programs: job.programs.map((name) => ({ name, text: seedProgram(name) })),
    }),
  )

const NONE = { x: 0, z: 0 }

/** The adapter for a taper on the spindle, and its master just measured. */
function checkedBench(coupling: Coupling, minutesAgo: number, personId: string, drift = NONE): void {
  const master = listMasters(db).find((m) => m.coupling === coupling)!
  const adapter = listAdapters(db).find((a) => a.coupling === coupling)!
  inTransaction(db, (tx) => {
    insertAdapter(tx, adapter, at(-minutesAgo - 2), personId)
    insertCheck(tx, {
      masterId: master.id,
      coupling,
      adapter: adapter.serial,
      at: at(-minutesAgo - 1),
      personId,
      drift,
      zero: NONE,
      evidence: null,
      reason: null,
    })
  })
}

/** Pictures as the bench takes them, after a wipe. */
async function pictures(serial: string): Promise<Uint8Array> {
  const sheet = readMeasure(db, serial)!
  const bench = simulatedBench(wipeTicket(db, sheet.assembly, null))
  const { LF, DC, edges } = sheet.definition!
  const task = {
    hint: { x: DC.nominal / 2, z: LF.nominal },
    edges,
    // a turn of the spindle for each tool would double the time the demo takes to start
    sweep: false,
    steps: sheet.steps,
  }
  const run = await prepareRun(must(`open ${serial}`, await openRun(bench, task, () => undefined)), () => undefined)
  const taken: Picture[] = []
  for (let edge = 1; edge <= edges; edge++) taken.push(...(await takeEdge(run, edge, () => undefined)))
  return encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: sheet.steps[0].features, pictures: taken })
}

/** The setting master of the adapter on the spindle, at two turns half a revolution apart. */
async function masterPictures() {
  const { check, master, zero } = readBench(db, at(-45))
  const raw = simulatedBench(masterTicket(db, master!, at(-45)), zero)
  const bench = evenBench(raw, await emptyLight(raw))
  await bench.moveTo(master!.DCmm / 2 - 1, master!.LFmm - 1.4)
  await standStill(bench)
  const pictures: Picture[] = []
  for (const [i, deg] of [0, 180].entries()) {
    await bench.turnTo(deg)
    const { frame, centreX, centreZ } = await bench.grab()
    pictures.push({ name: `turn-${deg}.png`, frame, edge: i + 1, spindleDeg: deg, centreX, centreZ })
  }
  const frames = encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: ['LF', 'DC'], pictures })
  return { scanned: master!.mark, frames, checkId: check?.id ?? null, reason: null }
}

/** Tools that have stood in a machine since before anybody kept a record: only its control knows them. */
for (const { machine, ...tool } of seedFile<{ machine: string }[]>('control.json')) {
  const answer = await fetch(
    `${process.env.BOULDER_CONTROL ?? `http://127.0.0.1:${Number(process.env.PORT ?? 3000) + 1}`}/machines/${machine}/hand`,
    {
      method: 'POST',
      body: JSON.stringify({ do: 'fill', ...tool }),
    },
  )
  if (!answer.ok) throw new Error(`fill ${machine}: ${await answer.text()}`)
}

for (const tool of seedFile<SeedTool[]>('tools.json')) {
  const { serial, person, minutesAgo } = tool
  must(`build ${serial}`, buildTool(workOf(person, minutesAgo), tool.job, tool.t, serial))
  if (tool.upTo === 'built') continue
  checkedBench(getAssembly(db, serial)!.coupling, minutesAgo - 10, person)
  must(
    `measure ${serial}`,
    await saveMeasurement(workOf(person, minutesAgo - 12), evidence, measure, {
      serial,
      scanned: serial,
      takenAt: at(12 - minutesAgo),
      frames: await pictures(serial),
      mmPerPixel: BENCH_FACTS.mmPerPixel,
      checkId: lastCheck(db)!.id,
      program: 0,
    }),
  )
  if (tool.place) must(`put away ${serial}`, putIntoPlace(workOf(person, minutesAgo - 14), serial, tool.place))
  if (tool.upTo === 'measured') continue
  must(`release ${serial}`, await releaseHandover(workOf(person, minutesAgo - 20), control, { serial, scanned: serial }))
  // a chip in the holder carries the hand-over too
  inTransaction(db, (tx) => putSimTag(tx, serial, { bytes: new Uint8Array(2048), lostAfter: null }))
  must(`tag ${serial}`, await writeTag(workOf(person, minutesAgo - 21), tagOf(serial), serial))
  if (tool.upTo === 'released') continue
  const machine = getAssembly(db, serial)?.machine ?? ''
  must(
    `load ${serial}`,
    await loadByHand(workOf(person, minutesAgo - 30), control, (key, act) => hands.act(key, act), {
      machine,
      serial,
      label: currentHandover(db, serial)!.label,
      reasons: [{ rule: 'balance', reason: 'first part at 8,000 rev/min, watched; balanced after it' }],
    }),
  )
}

// eight days of checks, three a day, and this morning's by the bench itself
const { normal } = seededRandom(11)
for (let shift = 24; shift >= 1; shift--)
  checkedBench('HSK-A63', shift * 480 + 75, shift % 3 ? 'ines' : 'tomas', {
    x: 0.0009 * normal() + 0.0006 * Math.sin(shift),
    z: 0.0012 * normal() + 0.0014 * Math.sin(shift),
  })
inTransaction(db, (tx) => insertAdapter(tx, { serial: 'AD-HSKA63-1', coupling: 'HSK-A63' }, at(-50), 'ines'))
must('check', await saveCheck(workOf('ines', 45), evidence, measure, await masterPictures()))

must(
  'program',
  keepProgram(workOf('ines', 40), {
    serial: 'BX00145',
    base: 0,
    why: 'first tool of this kind, went well',
    steps: [
      { name: 'Tool', at: null, features: ['LF', 'DC', 'RE'], limits: {} },
      { name: 'Flank at 8 mm', at: { xMm: 4.8, downMm: 8 }, features: ['DC'], limits: { DC: { min: 11.97, max: 12.02 } } },
    ],
  }),
)
let spinMinute = -38
let spindleMemory: string | null = null
await calibrateByHand({
  db,
  spindle: simulatedSpindle({
    get: () => spindleMemory,
    put: (state) => (spindleMemory = state),
    nowMs: () => now + 60_000 * spinMinute,
    truthOf: (serial) => unbalanceTicket(db, serial),
  }),
  files: evidence,
  work: () => workOf('ines', -spinMinute),
  wait: () => (spinMinute += 1),
})
must('take', takePart(workOf('ines', 20), { job: 'HP-2240', component: 'C-DR102', count: 1, place: 'BIRCH-8' }))
must('note', writeNote(workOf('tomas', 70), 'Coil 14 … 16 flickers: call maintenance before the next Ø16.'))

db.close()
console.log('seeded')
