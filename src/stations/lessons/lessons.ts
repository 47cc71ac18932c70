import { causesOf, type Cause } from '@/core/causes'
import {
  drawCases,
  drawLesson,
  drawReadings,
  isReadable,
  READ_CAUSES,
  recallsOf,
  remember,
  scoreLesson,
  type FaultCode,
  type PlantedTool,
  type SaidOf,
} from '@/core/practice'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getLessonRun, listLessonRuns, listMemories, type LessonRun } from '@/db/lesson/read'
import { endLessonRun, insertLessonRun, putMemory, putWords } from '@/db/lesson/write'
import { getOwnLesson, listOwnLessons } from '@/db/lesson/teaching'
import { ownId, titleOf } from '../teaching/own'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import type { LessonRunView, LessonsView } from './contract'

/** The lesson that needs no room. */
export const EDGES = 'edges'
const TOOLS = 6
const PAST = 10
const ENDED: Refusal = { code: 'LESSON_ENDED' }

/** The readings of a planted tool: the same each time; of a lead’s own lesson those of the record. */
function readingsOf(db: Db, { seed, lesson }: LessonRun, { number, fault, size, thing }: PlantedTool) {
  const id = ownId(lesson)
  const real = id === null ? undefined : getOwnLesson(db, id)?.cases[Number(thing)]
  if (real) return { given: real.given, edge: real.edge }
  const cause = fault !== null && isReadable(fault) ? fault : null
  return drawReadings(cause, size, seed + 1000 * number)
}

/** @param seed by chance: which faults, and how large */
export function startLesson(work: Work, seed: number, own: number | null = null): Result<{ readonly run: number }, Refusal> {
  const made = own === null ? null : getOwnLesson(work.db, own)
  if (own !== null && (made?.retired ?? true)) return fail({ code: 'UNKNOWN_LESSON' })
  return write(work, null, (tx) => {
    const planted = made
      ? drawCases(
          made.cases.map(({ code }) => (code === 'NOTHING' ? null : code)),
          seed,
        )
      : drawLesson(READ_CAUSES, listMemories(tx.db, tx.person.id), TOOLS, seed, tx.now)
    const lesson = own === null ? EDGES : `own:${own}`
    return { run: insertLessonRun(tx.db, { personId: tx.person.id, lesson, seed, planted, at: tx.now }) }
  })
}

/** Somebody's own lesson that is not ended yet. */
export function running({ db, person }: Pick<Work, 'db' | 'person'>, id: number): LessonRun | null {
  const run = getLessonRun(db, id)
  return run?.personId === person.id && run.endedAt === null ? run : null
}

type Words = Pick<LessonRun, 'said' | 'helped'>

/** Puts down one more word, or that somebody asked for help. */
function put(work: Work, id: number, number: number, next: (run: LessonRun) => Words): Result<null, Refusal> {
  const run = running(work, id)
  if (!run?.planted.some((tool) => tool.number === number)) return fail(ENDED)
  return write(work, null, (tx) => {
    must(putWords(tx.db, id, next(run)), ENDED)
    return null
  })
}

export const sayFault = (
  work: Work,
  { run: id, number, code }: { readonly run: number; readonly number: number; readonly code: FaultCode | 'NOTHING' },
): Result<null, Refusal> =>
  put(work, id, number, ({ said, helped }) => ({
    said: [...said, { number, fault: code === 'NOTHING' ? null : code }],
    helped,
  }))

/** What Boulder makes of a tool; from then on it was no longer found alone. */
export function askOpinion(
  work: Work,
  { run: id, number }: { readonly run: number; readonly number: number },
): Result<{ readonly causes: readonly Cause[] }, Refusal> {
  const noted = put(work, id, number, ({ said, helped }) => ({ said, helped: [...new Set([...helped, number])] }))
  const run = running(work, id)
  const tool = run?.planted.find((t) => t.number === number)
  if (!noted.ok) return noted
  return run && tool ? ok({ causes: causesOf(readingsOf(work.db, run, tool).given) }) : fail(ENDED)
}

/** Each word with whether it came after help, or after another guess. */
export const wordsOf = ({ said, helped }: Words): SaidOf[] =>
  said.map((word, i) => ({
    ...word,
    helped: helped.includes(word.number) || said.slice(0, i).some((s) => s.number === word.number && s.fault !== word.fault),
  }))

/** Ends it: from now on it says what was planted, and what was missed comes again sooner. */
export function endLesson(work: Work, id: number): Result<null, Refusal> {
  const run = running(work, id)
  if (!run) return fail(ENDED)
  return write(work, null, (tx) => {
    must(endLessonRun(tx.db, id, tx.now), ENDED)
    const known = new Map(listMemories(tx.db, tx.person.id).map((m) => [m.code, m]))
    for (const [code, recall] of recallsOf(run.planted, wordsOf(run)))
      putMemory(tx.db, tx.person.id, remember(known.get(code) ?? null, code, recall, tx.now))
    return null
  })
}

function viewOf(db: Db, run: LessonRun): LessonRunView {
  const ended = run.endedAt !== null
  const drawn = run.planted.map((tool) => ({ tool, ...readingsOf(db, run, tool) }))
  return {
    ...{
      run: run.id,
      title: titleOf(db, run.lesson),
      startedAt: run.startedAt,
      result: ended ? scoreLesson(run.planted, wordsOf(run)) : null,
    },
    tools: drawn.map(({ tool: { number }, given }) => {
      const last = run.said.findLast((s) => s.number === number)
      const said = last && (last.fault !== null && isReadable(last.fault) ? last.fault : ('NOTHING' as const))
      return { number, given, said: said ?? null, helped: run.helped.includes(number) }
    }),
    edges: ended ? Object.fromEntries(drawn.flatMap(({ tool, edge }) => (edge === null ? [] : [[tool.number, edge]]))) : {},
  }
}

/** @param id a lesson of theirs; null: the one that runs, or else the last one with how it went */
export function readLessons(db: Db, personId: string, id: number | null): LessonsView {
  const own = listOwnLessons(db)
  const all = listLessonRuns(db, personId, [EDGES, ...own.map(({ id: n }) => `own:${n}`)], PAST)
  const current = id === null ? (all.find((r) => r.endedAt === null) ?? all.at(0)) : all.find((r) => r.id === id)
  return {
    current: current ? viewOf(db, current) : null,
    past: all.flatMap((run) =>
      run.endedAt === null
        ? []
        : [{ run: run.id, at: run.startedAt, share: scoreLesson(run.planted, wordsOf(run)).share, tools: run.planted.length }],
    ),
    own: own.map(({ id: n, title, cases }) => ({ id: n, title, tools: cases.length })),
    due: listMemories(db, personId)
      .flatMap(({ code, dueAt }) => (isReadable(code) ? [{ code, dueAt }] : []))
      .sort((a, b) => (a.dueAt < b.dueAt ? -1 : 1)),
  }
}
