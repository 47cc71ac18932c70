/** Fills an empty data folder with the demo: made-up people, machines and tools, taken through the same verbs that the pages use. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { encodeFrameSet } from '@/codecs/frame-set'
import { SHIPPED_POSTS } from '@/codecs/post'
import type { Picture } from '@/core/measure'
import type { Component, Definition, Machine, Person } from '@/core/tool'
import type { Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { inTransaction } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { insertComponent, insertDefinition, insertHolder, insertStockMove } from '@/db/library/write'
import { insertMachine, insertPost } from '@/db/machine/write'
import { insertPerson } from '@/db/person/write'
import { simulatedBench } from '@/devices/bench/simulated'
import { BENCH_FACTS } from '@/devices/bench/port'
import { runtime } from '@/runtime'
import { wipeTicket } from '@/runtime/bench-ticket'
import { buildTool } from '@/stations/build/build-tool'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob } from '@/stations/kit/add-job'
import { loadTool } from '@/stations/load/load-tool'
import { readMeasure } from '@/stations/measure/measure-sheet'
import { saveMeasurement } from '@/stations/measure/save-measurement'
import type { Work } from '@/stations/work'

const folder = join(import.meta.dirname, '..', 'seed')
const read = <T>(name: string): T => JSON.parse(readFileSync(join(folder, name), 'utf8')) as T
const now = Date.now()
const at = (minutes: number) => new Date(now + 60_000 * minutes).toISOString()

interface SeedTool {
  readonly serial: string
  readonly job: string
  readonly t: number
  readonly upTo: 'built' | 'measured' | 'released' | 'loaded'
  readonly person: string
  readonly minutesAgo: number
}

const { db, control, evidence } = runtime()
const people = read<Person[]>('people.json')
const components = read<Component[]>('components.json')

function must<T, E extends { code: string }>(what: string, result: Result<T, E>): T {
  if (!result.ok) throw new Error(`${what}: ${JSON.stringify(result.error)}`)
  return result.value
}

inTransaction(db, () => {
  people.forEach((person) => insertPerson(db, person))
  read<Machine[]>('machines.json').forEach((machine) => insertMachine(db, machine))
  Object.entries(SHIPPED_POSTS).forEach(([name, template]) => insertPost(db, name, template))
  components.forEach((component) => insertComponent(db, component))
  read<Definition[]>('definitions.json').forEach((definition) => insertDefinition(db, definition))
  for (const { serial, component, heats, retired } of read<
    { serial: string; component: string; heats: number; retired: boolean }[]
  >('holders.json')) {
    const type = components.find((c) => c.id === component)
    if (type?.kind === 'shrink-holder') insertHolder(db, serial, component, type.coupling, heats, retired)
  }
  for (const { component, count } of read<{ component: string; count: number }[]>('stock.json'))
    if (count > 0)
      insertStockMove(db, {
        componentId: component,
        delta: count,
        why: 'received',
        serial: null,
        personId: null,
        at: at(-20_000),
      })
})

const workOf = (personId: string, minutesAgo: number): Work => ({
  db,
  now: at(-minutesAgo),
  person: people.find((p) => p.id === personId)!,
})

for (const job of read<{ id: string; name: string; machine: string; dueInMinutes: number; program: string }[]>('jobs.json'))
  must(
    job.id,
    addJob(workOf('oda', 1600), {
      id: job.id,
      name: job.name,
      machine: job.machine,
      dueAt: at(job.dueInMinutes),
      programName: job.program,
      programText: readFileSync(join(folder, 'programs', job.program), 'utf8'),
    }),
  )

/** Pictures as the bench takes them, after a wipe. */
async function pictures(serial: string): Promise<Uint8Array> {
  const sheet = readMeasure(db, serial)!
  const bench = simulatedBench(wipeTicket(db, sheet.assembly, null))
  const { LF, DC } = sheet.definition!
  const edges = components.find((c) => c.id === sheet.definition!.cutter)
  const count = edges?.kind === 'solid-cutter' ? edges.edges : 1
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
  return encodeFrameSet({ mmPerPixel: BENCH_FACTS.mmPerPixel, measure: ['LF', 'DC', 'RE'], pictures: taken })
}

for (const tool of read<SeedTool[]>('tools.json')) {
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
  if (tool.upTo === 'measured') continue
  must(`release ${serial}`, await releaseHandover(workOf(person, minutesAgo - 20), control, { serial, scanned: serial }))
  if (tool.upTo === 'released') continue
  const machine = getAssembly(db, serial)?.machine ?? ''
  must(
    `load ${serial}`,
    await loadTool(workOf(person, minutesAgo - 30), control, { machine, serial, label: currentHandover(db, serial)!.label }),
  )
}

db.close()
console.log('seeded')
