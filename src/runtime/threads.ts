/** Worker threads for what may take long, so that nobody else waits for it: pictures, files of the outside, templates. */
import 'server-only'
import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { FrameSetError } from '@/codecs/faults'
import type { OpenedFrameSet } from '@/codecs/frame-set'
import { heavyBy, type Heavy, type HeavyName, type HeavyRefusal } from '@/codecs/heavy'
import type { FramesMeasured, ProgramStep } from '@/core/judge'
import type { Pin } from '@/core/outline'
import { fail, ok, type Result } from '@/core/units'
import type { StorageFault } from '@/db/connection'
import type { Snapshot } from '@/db/snapshot'
import {
  framesMeasured,
  tasksOf,
  type calibrateHere,
  type EdgeDone,
  type FramesError,
  type PackedTask,
} from '@/workers/server/measure-frames'

/** Where `npm run build` puts the threads' own bundle; Next knows nothing of it. */
const BUNDLE = join('.cache', 'workers', 'threads.mjs')
const IDLE_MS = 300_000

interface Limits {
  readonly threads: number
  /** What may wait for a thread; more than that is a flood. */
  readonly waiting: number
  /** Memory of one thread. */
  readonly mb: number
}

/** A picture of 67 million pixels with all that is computed from it. */
const FRAMES: Limits = { threads: Math.max(2, availableParallelism()), waiting: 400, mb: 1024 }
/** A set that takes longer hangs: many times what the largest takes on a slow machine. */
const FRAMES_MS = 600_000

const HEAVY: Limits = { threads: 2, waiting: 16, mb: 512 }
/** A file at its limits takes a second or two; a template some milliseconds. */
const FILE_MS = 20_000
const TEMPLATE_MS = 5_000
/** How long something waits for its turn at most. */
const WAIT_MS = 30_000
const TEMPLATES: readonly HeavyName[] = ['post', 'check', 'label', 'step']

/** What the pool says when no more may wait, and when a thread was given all the memory that it may have. */
const QUEUE_FULL = /queue.*limit/i
const isOutOfMemory = (error: unknown) => (error as { code?: string } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY'

/** Ends of the pools that run: a thread keeps the time zone that it began with. */
const running = new Set<() => void>()

/** Every thread begins anew with its next piece of work; what is being done is finished. */
export function renewThreads(): void {
  for (const end of running) end()
  running.clear()
}

/** Started when the first piece of work comes. */
function poolOf({ threads, waiting, mb }: Limits) {
  let pool: Piscina | null = null
  const start = () => {
    const filename = join(process.cwd(), BUNDLE)
    if (!existsSync(filename)) throw new Error(`${BUNDLE} is missing: run npm run build.`)
    running.add(() => {
      void pool?.close()
      pool = null
    })
    return new Piscina({
      filename,
      minThreads: 0,
      maxThreads: threads,
      idleTimeout: IDLE_MS,
      maxQueue: waiting,
      resourceLimits: { maxOldGenerationSizeMb: mb },
    })
  }
  return <T>(name: string, work: unknown, signal: AbortSignal): Promise<T> =>
    (pool ??= start()).run(work, { name, signal }) as Promise<T>
}

async function orRefused<T>(work: Promise<T>, signal: AbortSignal, late: HeavyRefusal): Promise<Result<T, HeavyRefusal>> {
  try {
    return ok(await work)
  } catch (error) {
    if (error instanceof Error && QUEUE_FULL.test(error.message)) return fail({ code: 'BUSY' })
    if (signal.aborted) return fail(late)
    if (isOutOfMemory(error)) return fail({ code: 'TOO_HEAVY' })
    throw error
  }
}

export interface FramesPool {
  /** @param steps null: what the set itself asks for; @param turning left out: as the set itself says */
  measure(
    zip: Uint8Array,
    steps: readonly ProgramStep[] | null,
    turning?: boolean,
  ): Promise<Result<FramesMeasured, FramesError | HeavyRefusal>>
  /** Where a camera that stands still looks, from its picture of a pin. */
  calibrate(zip: Uint8Array, pin: Pin): Promise<ReturnType<typeof calibrateHere> | Result<never, HeavyRefusal>>
}

export function framesPool(): FramesPool {
  const run = poolOf(FRAMES)
  return {
    async measure(zip, asked, turning) {
      const signal = AbortSignal.timeout(FRAMES_MS)
      const measured = async (): Promise<Result<FramesMeasured, FramesError>> => {
        const opened = await run<Result<OpenedFrameSet, FrameSetError>>('open', zip, signal)
        if (!opened.ok) return fail({ code: 'FRAME_SET', error: opened.error })
        const { steps, tasks } = tasksOf(opened.value, asked, turning)
        const done = await Promise.all(tasks.map((task: PackedTask) => run<EdgeDone>('edge', task, signal)))
        return framesMeasured(opened.value, steps, tasks, done)
      }
      const done = await orRefused(measured(), signal, { code: 'BUSY' })
      return done.ok ? done.value : done
    },
    async calibrate(zip, pin) {
      const signal = AbortSignal.timeout(FRAMES_MS)
      const done = await orRefused(run<ReturnType<typeof calibrateHere>>('calibrate', { zip, pin }, signal), signal, {
        code: 'BUSY',
      })
      return done.ok ? done.value : done
    },
  }
}

const SNAPSHOT: Limits = { threads: 1, waiting: 4, mb: 256 }
/** A database of some gigabytes on a slow disk. */
const SNAPSHOT_MS = 1_800_000

/** Copies the database beside everything else. */
export function snapshotPool(): (from: string, to: string) => Promise<Result<Snapshot, StorageFault>> {
  const run = poolOf(SNAPSHOT)
  return (from, to) => run('snapshot', { from, to }, AbortSignal.timeout(SNAPSHOT_MS))
}

/** So many at once, and so many waiting for them: what waits has not begun, and its time does not run. */
function gateOf({ threads, waiting }: Limits) {
  let free = threads
  const queue: ((may: boolean) => void)[] = []
  return {
    /** @returns false where too many wait already, or none was done in a long time */
    enter: (): Promise<boolean> => {
      if (free > 0) {
        free--
        return Promise.resolve(true)
      }
      if (queue.length >= waiting) return Promise.resolve(false)
      return new Promise((enter) => {
        const turn = (may: boolean) => {
          clearTimeout(late)
          enter(may)
        }
        const late = setTimeout(() => {
          queue.splice(queue.indexOf(turn), 1)
          enter(false)
        }, WAIT_MS)
        queue.push(turn)
      })
    },
    leave: () => {
      const next = queue.shift()
      if (next) next(true)
      else free++
    },
  }
}

export function heavyPool(): Heavy {
  const run = poolOf(HEAVY)
  const gate = gateOf(HEAVY)
  return heavyBy(async (name, given) => {
    if (!(await gate.enter())) return fail({ code: 'BUSY' })
    try {
      const signal = AbortSignal.timeout(TEMPLATES.includes(name) ? TEMPLATE_MS : FILE_MS)
      return await orRefused(run('heavy', { name, given }, signal), signal, { code: 'TOO_HEAVY' })
    } finally {
      gate.leave()
    }
  })
}
