import 'server-only'
import { existsSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { Piscina } from 'piscina'
import type { FrameSetError } from '@/codecs/faults'
import type { OpenedFrameSet } from '@/codecs/frame-set'
import type { FramesMeasured, ProgramStep } from '@/core/judge'
import { fail, type Result } from '@/core/units'
import { framesMeasured, tasksOf, type EdgeDone, type FramesError, type PackedTask } from '@/workers/server/measure-frames'

/** Where `npm run build` puts the threads' own bundle; Next knows nothing of it. */
const BUNDLE = join('.cache', 'workers', 'frames.mjs')
/** A set that takes longer hangs: many times what the largest takes on a slow machine. */
const MOST_MS = 600_000
/** Memory of one thread: a picture of 50 million pixels with all that is computed from it. */
const MOST_MB = 1024
/** Sets that may wait for a thread; more than that is a flood. */
const MOST_WAITING = 400
/** What the pool says when no more may wait. */
const QUEUE_FULL = /queue.*limit/i
const IDLE_MS = 30_000

export interface FramesPool {
  /** @param steps null: what the set itself asks for */
  measure(
    zip: Uint8Array,
    steps: readonly ProgramStep[] | null,
  ): Promise<Result<FramesMeasured, FramesError | { readonly code: 'BUSY' }>>
}

/** Worker threads that measure pictures, so that nobody else waits for them; started when the first set comes. */
export function framesPool(): FramesPool {
  let pool: Piscina | null = null
  const start = () => {
    const filename = join(process.cwd(), BUNDLE)
    if (!existsSync(filename)) throw new Error(`${BUNDLE} is missing: run npm run build.`)
    return new Piscina({
      filename,
      minThreads: 0,
      maxThreads: Math.max(2, availableParallelism()),
      idleTimeout: IDLE_MS,
      maxQueue: MOST_WAITING,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    })
  }
  return {
    async measure(zip, asked) {
      const threads = (pool ??= start())
      const signal = AbortSignal.timeout(MOST_MS)
      try {
        const opened = (await threads.run(zip, { name: 'open', signal })) as Result<OpenedFrameSet, FrameSetError>
        if (!opened.ok) return fail({ code: 'FRAME_SET', error: opened.error })
        const { steps, tasks } = tasksOf(opened.value, asked)
        const done = await Promise.all(
          tasks.map((task: PackedTask) => threads.run(task, { name: 'edge', signal }) as Promise<EdgeDone>),
        )
        return framesMeasured(opened.value, steps, tasks, done)
      } catch (error) {
        if (signal.aborted || (error instanceof Error && QUEUE_FULL.test(error.message))) return fail({ code: 'BUSY' })
        throw error
      }
    },
  }
}
