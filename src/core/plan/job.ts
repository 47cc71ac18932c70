/** A job: what has to be cut, where, when, and which tools that wants. */
import type { ProgramTools } from '../program'

export interface JobProgram {
  readonly name: string
  readonly hash: string
  readonly program: ProgramTools
}

/** A tool wanted by a tool list or by hand. */
export interface HandTool {
  readonly t: number
  readonly name: string | null
  /** How many of it: sisters count. */
  readonly count: number
  /** Minutes of cutting for one part; null when nobody knows. */
  readonly minutesEach: number | null
  readonly source: 'by hand' | 'tool list'
}

export interface Job {
  readonly id: string
  readonly name: string
  readonly machine: string
  /** ISO 8601: when the machine starts. */
  readonly dueAt: string
  readonly quantity: number
  /** 0 as planned … 9 before everything. */
  readonly priority: number
  readonly state: 'open' | 'done' | 'cancelled'
  /** Serial of the broken tool whose sister this asks for; null for planned jobs. */
  readonly urgentFor: string | null
  readonly programs: readonly JobProgram[]
  readonly extra: readonly HandTool[]
  /** What a T of it means, by T, where somebody said so: a definition, or null where nothing is to be set up (a probe). */
  readonly mapping: Readonly<Record<string, string | null>>
  /** How often it was changed: whoever writes names the one that was read. */
  readonly version: number
}

/** One T that a job wants, from all its programs and lists together. */
export interface Wanted {
  readonly t: number
  readonly name: string | null
  readonly count: number
  /** Minutes of cutting for the whole quantity; null when nobody knows. */
  readonly needMin: number | null
  readonly changes: readonly { readonly program: string; readonly line: number }[]
  readonly h: readonly number[]
  readonly d: readonly number[]
  readonly maxSpindle: number | null
}

/** Minutes that a job cuts, as far as its programs and lists say; null where they say nothing. */
export function minutesCut(job: Parameters<typeof wantedOf>[0]): number | null {
  const known = wantedOf(job).flatMap(({ needMin }) => needMin ?? [])
  return known.length ? known.reduce((a, b) => a + b, 0) : null
}

/** Programs first, in their order; a tool list adds what they do not say, and how many. */
export function wantedOf(job: Pick<Job, 'programs' | 'extra' | 'quantity'>): Wanted[] {
  const all = new Map<number, Wanted>()
  const merge = (t: number, change: Partial<Wanted>) => {
    const seen = all.get(t) ?? { t, name: null, count: 1, needMin: null, changes: [], h: [], d: [], maxSpindle: null }
    all.set(t, {
      ...seen,
      name: seen.name ?? change.name ?? null,
      count: Math.max(seen.count, change.count ?? 1),
      needMin: change.needMin ?? seen.needMin,
      changes: [...seen.changes, ...(change.changes ?? [])],
      h: [...new Set([...seen.h, ...(change.h ?? [])])],
      d: [...new Set([...seen.d, ...(change.d ?? [])])],
      maxSpindle: change.maxSpindle == null ? seen.maxSpindle : Math.max(seen.maxSpindle ?? 0, change.maxSpindle),
    })
  }
  for (const { name: program, program: read } of job.programs)
    for (const tool of read.tools) merge(tool.t, { ...tool, changes: tool.changes.map(({ line }) => ({ program, line })) })
  for (const { t, name, count, minutesEach } of job.extra)
    merge(t, { name, count, needMin: minutesEach === null ? null : minutesEach * job.quantity })
  return [...all.values()]
}

/** Who is served first: open jobs by priority, then by their start. */
export const byUrgency = (a: Job, b: Job): number =>
  b.priority - a.priority || (a.dueAt < b.dueAt ? -1 : a.dueAt > b.dueAt ? 1 : a.id < b.id ? -1 : 1)
