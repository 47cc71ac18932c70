/** Fills an empty data folder with the demo: made-up people, machines and tools, taken through the same verbs that the pages use. */
import { encodeFrameSet } from '@/codecs/frame-set'
import type { Picture } from '@/core/measure'
import type { Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { currentHandover } from '@/db/handover/read'
import { simulatedBench } from '@/devices/bench/simulated'
import { BENCH_FACTS } from '@/devices/bench/port'
import { runtime } from '@/runtime'
import { wipeTicket } from '@/runtime/bench-ticket'
import { buildTool } from '@/stations/build/build-tool'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob } from '@/stations/kit/add-job'
import { takePart } from '@/stations/kit/pick'
import { writeNote } from '@/stations/kit/shift'
import { loadTool } from '@/stations/load/load-tool'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { saveMeasurement } from '@/stations/measure/save-measurement'
import { putIntoPlace } from '@/stations/store/slot'
import type { Work } from '@/stations/work'
import { fillLibrary, seedFile, seedProgram, type SeedJob } from './fill-library'

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

const { db, control, evidence } = runtime()

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

/** Pictures as the bench takes them, after a wipe. */
async function pictures(serial: string): Promise<Uint8Array> {
  const sheet = readMeasure(db, serial)!
  const bench = simulatedBench(wipeTicket(db, sheet.assembly, null))
  const { LF, DC } = sheet.definition!
  const count = sheet.definition!.edges
  const taken: Picture[] = []
  await bench.moveTo(DC.nominal / 2 - 1, LF.nominal - 1)
  for (let edge = 1; edge <= count; edge++)
    for (const turn of [-1, 0, 1]) {
      await bench.turnTo((360 * (edge - 1)) / count + turn)
      const p = await bench.grab()
      taken.push({
        name: `edge-${edge}${turn}.png`,
        frame: p.frame,
        edge,
        spindleDeg: p.spindleDeg,
        centreX: p.centreX,
        centreZ: p.centreZ,
      })
    }
  return encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: sheet.features, pictures: taken })
}

for (const tool of seedFile<SeedTool[]>('tools.json')) {
  const { serial, person, minutesAgo } = tool
  must(`build ${serial}`, buildTool(workOf(person, minutesAgo), tool.job, tool.t, serial))
  if (tool.upTo === 'built') continue
  must(
    `measure ${serial}`,
    saveMeasurement(workOf(person, minutesAgo - 12), evidence, {
      serial,
      scanned: serial,
      takenAt: at(12 - minutesAgo),
      frames: await pictures(serial),
      mmPerPixel: BENCH_FACTS.mmPerPixel,
    }),
  )
  if (tool.place) must(`put away ${serial}`, putIntoPlace(workOf(person, minutesAgo - 14), serial, tool.place))
  if (tool.upTo === 'measured') continue
  must(`release ${serial}`, await releaseHandover(workOf(person, minutesAgo - 20), control, { serial, scanned: serial }))
  if (tool.upTo === 'released') continue
  const machine = getAssembly(db, serial)?.machine ?? ''
  must(
    `load ${serial}`,
    await loadTool(workOf(person, minutesAgo - 30), control, { machine, serial, label: currentHandover(db, serial)!.label }),
  )
}

must('take', takePart(workOf('ines', 20), { job: 'HP-2240', component: 'C-DR102', count: 1, place: 'S2-8' }))
must('note', writeNote(workOf('tomas', 70), 'Coil 14 … 16 flickers: call maintenance before the next Ø16.'))

db.close()
console.log('seeded')
