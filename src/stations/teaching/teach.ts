import { ROOM_LESSONS, scoreLesson, type FaultCode } from '@/core/practice'
import { fail, type Result } from '@/core/units'
import { listSettledCauses } from '@/db/cause/read'
import type { Db } from '@/db/connection'
import { listLessonRuns, listMemories } from '@/db/lesson/read'
import {
  deleteCondition,
  getOwnLesson,
  insertCondition,
  insertOwnLesson,
  listConditions,
  listOwnLessons,
  retireOwnLesson,
  type Condition,
  type RealCase,
} from '@/db/lesson/teaching'
import { getMachine, listMachines } from '@/db/machine/read'
import { getMeasurement, listGoodMeasurements } from '@/db/measurement/read'
import { listPeople } from '@/db/person/read'
import { caseAt } from '../causes/tool-causes'
import { EDGES, wordsOf } from '../lessons/lessons'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'
import { ownId, titleOf } from './own'
import { LEAST_CASES, type CaseOffer, type LessonName, type Pupil, type TeachingView } from './contract'

/** So many cases of each kind are offered, the newest first. */
const OFFERED = 20

interface Offered extends RealCase, CaseOffer {}

/** Tools whose cause was found and shown to be right, and good ones, as somebody may learn from them. */
function casesOf(db: Db): readonly Offered[] {
  const offer = (measurement: number, code: RealCase['code'], edge: number | null): Offered[] => {
    const saved = getMeasurement(db, measurement)
    const given = saved && caseAt(db, saved)
    return saved && given ? [{ measurement, at: saved.at, given, code, edge, edges: given.edges.length }] : []
  }
  return [
    ...listSettledCauses(db, OFFERED).flatMap(({ measurementId, code, edge }) => offer(measurementId, code, edge)),
    ...listGoodMeasurements(db, OFFERED).flatMap((id) => offer(id, 'NOTHING', null)),
  ]
}

/** A lesson of real tools: only their readings are kept, and nobody can say whose they were. */
export function makeLesson(
  work: Work,
  { title, measurements }: { readonly title: string; readonly measurements: readonly number[] },
): Result<{ readonly id: number }, Refusal> {
  const chosen = new Set(measurements)
  const cases = casesOf(work.db).filter(({ measurement }) => chosen.has(measurement))
  if (cases.length < LEAST_CASES || cases.length < chosen.size) return fail({ code: 'NO_CASE' })
  if (cases.every(({ code }) => code !== 'NOTHING')) return fail({ code: 'NO_GOOD_CASE' })
  return write(
    work,
    ({ id }) => ({ entry: { code: 'LESSON_MADE', title }, after: { id, tools: cases.length } }),
    (tx) => ({
      id: insertOwnLesson(tx.db, {
        title,
        cases: cases.map(({ given, code, edge }) => ({ given, code, edge })),
        personId: tx.person.id,
        at: tx.now,
      }),
    }),
  )
}

export function retireLesson(work: Work, id: number): Result<null, Refusal> {
  const own = getOwnLesson(work.db, id)
  if (!own) return fail({ code: 'UNKNOWN_LESSON' })
  return write(work, { entry: { code: 'LESSON_RETIRED', title: own.title } }, (tx) => {
    must(retireOwnLesson(tx.db, id), { code: 'UNKNOWN_LESSON' })
    // nobody can pass it any more
    for (const condition of listConditions(tx.db)) if (ownId(condition.lesson) === id) deleteCondition(tx.db, condition.id)
    return null
  })
}

export function putCondition(
  work: Work,
  { what, machine, lesson }: Omit<Condition, 'id'>,
): Result<{ readonly id: number }, Refusal> {
  const { db } = work
  const id = ownId(lesson)
  if (id !== null && (getOwnLesson(db, id)?.retired ?? true)) return fail({ code: 'UNKNOWN_LESSON' })
  const at = what === 'load' ? machine : null
  if (at !== null && !getMachine(db, at)) return fail({ code: 'UNKNOWN_MACHINE', machine: at })
  const entry = { code: 'LESSON_ASKED', what, lesson, title: titleOf(db, lesson) } as const
  return write(
    work,
    { entry, machine: at },
    (tx) => ({ id: insertCondition(tx.db, { what, machine: at, lesson }, tx.person.id, tx.now) }),
    { code: 'CONDITION_EXISTS' },
  )
}

export function endCondition(work: Work, id: number): Result<null, Refusal> {
  const condition = listConditions(work.db).find((c) => c.id === id)
  if (!condition) return fail({ code: 'CONDITION_GONE' })
  const { what, lesson, machine } = condition
  const entry = { code: 'LESSON_NOT_ASKED', what, lesson, title: titleOf(work.db, lesson) } as const
  return write(work, { entry, machine }, (tx) => {
    must(deleteCondition(tx.db, id), { code: 'CONDITION_GONE' })
    return null
  })
}

function pupilOf(db: Db, { id, name }: { readonly id: string; readonly name: string }, lessons: readonly LessonName[]): Pupil {
  const done = lessons.flatMap(({ key }) => {
    const run = listLessonRuns(db, id, [key], 2).find(({ endedAt }) => endedAt !== null)
    return run ? [[key, { at: run.startedAt, share: scoreLesson(run.planted, wordsOf(run)).share }] as const] : []
  })
  const missed: FaultCode[] = listMemories(db, id).flatMap(({ code, found }) => (found === 0 ? [code] : []))
  return { id, name, done: Object.fromEntries(done), missed }
}

/** How everybody stands, what is asked of them, and what lessons can be made of. */
export function readTeaching(db: Db): TeachingView {
  const own = listOwnLessons(db)
  const lessons: LessonName[] = [
    ...[EDGES, ...ROOM_LESSONS].map((key) => ({ key, title: null })),
    ...own.map(({ id, title }) => ({ key: `own:${id}`, title })),
  ]
  return {
    lessons,
    pupils: listPeople(db).map((person) => pupilOf(db, person, lessons)),
    own: own.map(({ id, title, cases }) => ({ id, title, tools: cases.length })),
    conditions: listConditions(db).map(({ lesson, ...c }) => ({ ...c, lesson: { key: lesson, title: titleOf(db, lesson) } })),
    machines: listMachines(db).map(({ key, name }) => ({ key, name })),
    cases: casesOf(db).map(({ measurement, at, code, edge, edges }) => ({ measurement, at, code, edge, edges })),
  }
}
