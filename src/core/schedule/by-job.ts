/** What a schedule means for each job. */
import type { Schedule, ToolToDo, Wait } from './tool'

export interface JobToDo {
  readonly job: string
  readonly dueMin: number
}

export interface JobDone {
  /** When its last tool is there, minutes from now; null where it has nothing left to do. */
  readonly doneMin: number | null
  /** The tool that is last, and what it waits longest for; null where it waits for nothing. */
  readonly last: { readonly tool: string; readonly wait: Wait | null } | null
}

export const byJob = <J extends JobToDo>(
  { doneMin, waits }: Pick<Schedule, 'doneMin' | 'waits'>,
  jobs: readonly J[],
  tools: readonly Pick<ToolToDo, 'id' | 'job'>[],
): (J & JobDone)[] =>
  jobs.map((job) => {
    const own = tools.filter((t) => t.job === job.job)
    const last = own.reduce<string | null>((a, { id }) => (a !== null && doneMin[a] >= doneMin[id] ? a : id), null)
    return {
      ...job,
      doneMin: last === null ? null : doneMin[last],
      last: last === null ? null : { tool: last, wait: waits[last] ?? null },
    }
  })
