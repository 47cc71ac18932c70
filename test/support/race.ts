/** Two processes at one database, each wanting the last piece: run by the store's tests. */
import { SI } from '@/core/units'
import { spawn } from 'node:child_process'
import { openDatabase } from '@/db/connection'
import { migrate } from '@/db/migrate'
import type { Work } from '@/stations/work'
import { addJob } from '@/stations/kit/add-job'
import { takePart } from '@/stations/kit/pick'
import { book, moves } from '@/stations/store/book'
import { fillLibrary } from '../../scripts/fill-library'
import { outerCode } from '@/stations/refusals'
import { refusalText } from '@/words/refusals'

const [file, mode, startAt] = process.argv.slice(2)
const ROUNDS = 2
/** Both must be up by then, on a slow machine too. */
const START_IN_MS = 3000
const AWAKE_MS = 30
const PART = 'K25-12'
const job = (round: number) => `RACE-${round}`
const work = (): Work => ({
  db: openDatabase(file),
  now: new Date(0).toISOString(),
  person: { id: 'ines', name: 'Ines Varga', role: 'operator' },
})

if (mode === 'prepare') {
  const w = work()
  migrate(w.db, 'src/db/migrations')
  fillLibrary(w.db, () => w.now)
  w.db
    .prepare(
      "INSERT INTO move (component_id, name, from_account, to_account, count, from_place, at) SELECT component_id, 'counted', 'hand', 'outside', count, to_place, at FROM move WHERE component_id = ?",
    )
    .run(PART)
  for (let round = 0; round < ROUNDS; round++)
    addJob(w, {
      id: job(round),
      name: '',
      machine: 'HERON',
      dueAt: w.now,
      quantity: 1,
      priority: 0,
      programs: [],
      extra: [{ t: 6, name: null, count: 1, minutesEach: null, source: 'by hand' }],
    })
} else if (mode === 'race') {
  const said: unknown[] = []
  for (let round = 0; round < ROUNDS; round++) {
    book(work(), moves.receive(PART, 1, 'CEDAR-4'))
    const at = String(Date.now() + START_IN_MS)
    const runs = ['a', 'b'].map(
      () =>
        new Promise<unknown>((resolve) => {
          const child = spawn(process.execPath, [process.argv[1], file, `take-${round}`, at], {
            stdio: ['ignore', 'pipe', 'ignore'],
          })
          let out = ''
          child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()))
          child.on('close', () => resolve(JSON.parse(out)))
        }),
    )
    said.push(await Promise.all(runs))
  }
  console.log(JSON.stringify(said))
} else {
  const w = work()
  const asleep = new Int32Array(new SharedArrayBuffer(4))
  Atomics.wait(asleep, 0, 0, Math.max(0, Number(startAt) - Date.now() - AWAKE_MS))
  while (Date.now() < Number(startAt)); // both begin in the same millisecond
  const done = takePart(w, { job: job(Number(mode.split('-')[1])), component: PART, count: 1, place: 'CEDAR-4' })
  console.log(
    JSON.stringify(done.ok ? { code: 'ok', text: '' } : { code: outerCode(done.error), text: refusalText(done.error, SI) }),
  )
}
