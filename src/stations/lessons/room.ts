/** A lesson in the practice room: begun and ended in the shop itself, which keeps nothing of it but how it went. */
import {
  drawRoom,
  isRoomLesson,
  ROOMS,
  TOUR,
  WITH_ROOM,
  scoreLesson,
  type FaultCode,
  type PlantedThing,
  type RoomLesson,
} from '@/core/practice'
import type { Person } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { inTransaction, type Db } from '@/db/connection'
import { getLessonRun, listLessonRuns, listMemories, runningLesson, type LessonRun } from '@/db/lesson/read'
import { insertLessonRun, putWords } from '@/db/lesson/write'
import { getPersonRow } from '@/db/person/read'
import { insertPerson, updatePerson } from '@/db/person/write'
import { noteActed, putSession } from '@/db/session/write'
import type { Refusal } from '../refusals'
import { readWho, type Who } from '../session/who'
import type { Work } from '../work'
import { must, write } from '../write'
import type { Card, RoomOffer, RoomsView, RoomView } from './contract'
import { wordsOf } from './lessons'

/** A lesson that runs in a practice room. */
export interface RoomRun extends Omit<LessonRun, 'lesson' | 'planted'> {
  readonly lesson: RoomLesson
  readonly planted: readonly PlantedThing[]
}

const roomOf = (run: LessonRun | null): RoomRun | null =>
  run && isRoomLesson(run.lesson) ? { ...run, lesson: run.lesson, planted: run.planted as readonly PlantedThing[] } : null

/** Somebody's lesson in the practice room that is not ended yet; null: none. */
export const runningRoom = (db: Db, personId: string): RoomRun | null => roomOf(runningLesson(db, personId, WITH_ROOM))

/** Whether somebody has ever begun a lesson. */
export { hasLessonRuns as hasLessons } from '@/db/lesson/read'

/** @param seed by chance: what is planted on what, and how large */
export function startRoom(work: Work, lesson: RoomLesson, seed: number): Result<{ readonly run: number }, Refusal> {
  if (runningRoom(work.db, work.person.id)) return fail({ code: 'LESSON_RUNS' })
  return write(work, null, (tx) => {
    const planted = drawRoom(ROOMS[lesson].things, listMemories(tx.db, tx.person.id), seed, tx.now)
    return { run: insertLessonRun(tx.db, { personId: tx.person.id, lesson, seed, planted, at: tx.now }) }
  })
}

/** Whoever comes in is known there too, with the terminal as they set it; afterwards the room goes by what they do in it. */
export function enterRoom(
  { db, now }: { readonly db: Db; readonly now: string },
  sessionId: string,
  who: Pick<Who, 'theme' | 'units' | 'text'> & { readonly person: Person },
): void {
  if (readWho(db, sessionId, now).person?.id === who.person.id) return
  inTransaction(db, (tx) => {
    const known = getPersonRow(tx, who.person.id)
    if (known) updatePerson(tx, { ...who.person, retired: false }, known.version)
    else insertPerson(tx, who.person)
    const { length: unit, ...shows } = who.units
    putSession(tx, sessionId, { personId: who.person.id, unit, theme: who.theme, shows: { ...shows, text: who.text } }, now)
    noteActed(tx, sessionId, now)
  })
}

/** A step of a tour is done. */
export function stepDone(work: Work, { run: id, step }: { readonly run: number; readonly step: number }): Result<null, Refusal> {
  const run = runningRoom(work.db, work.person.id)
  if (run?.id !== id || run.lesson !== TOUR) return fail({ code: 'LESSON_ENDED' })
  const said = [...run.said.filter(({ number }) => number < step), { number: step, fault: null }]
  return write(work, null, (tx) => {
    must(putWords(tx.db, id, { said, helped: run.helped }), { code: 'LESSON_ENDED' })
    return null
  })
}

const faultsOf = (lesson: RoomLesson): FaultCode[] => [...new Set(ROOMS[lesson].things.flatMap(({ faults }) => faults))]

function viewOf(run: RoomRun, cards: Readonly<Record<number, Card>>): RoomView {
  const { id, lesson, startedAt, endedAt, planted, said } = run
  return {
    ...{ run: id, lesson, startedAt, endedAt, minutes: ROOMS[lesson].minutes, faults: faultsOf(lesson) },
    steps: lesson === TOUR ? said.map(({ number }) => number) : [],
    things: planted.map(({ number, thing }) => {
      const last = said.findLast((s) => s.number === number)
      return { number, card: cards[number] ?? cardOf(lesson, thing), said: last ? (last.fault ?? 'NOTHING') : null }
    }),
    result: endedAt === null ? null : scoreLesson(planted, wordsOf(run)),
  }
}

/** A thing whose room is gone: what it was, without what was in somebody’s hands. */
function cardOf(lesson: RoomLesson, thing: string): Card {
  if (lesson === 'slips') return { type: 'slip', serial: thing, figures: null }
  if (thing === 'bench') return { type: 'bench' }
  const [job, t] = thing.split('/')
  return t === undefined ? { type: 'tool', serial: thing } : { type: 'job', job, t: Number(t) }
}

/** @param run one of theirs that has ended; null: the one that runs. @param cards of the room that is open */
export function readRooms(
  { db, now }: Pick<Work, 'db' | 'now'>,
  personId: string,
  {
    run: id,
    cards,
    ready,
  }: { readonly run: number | null; readonly cards: Readonly<Record<number, Card>>; readonly ready: boolean },
): RoomsView {
  const asked = id === null ? null : roomOf(getLessonRun(db, id))
  const current = runningRoom(db, personId) ?? (asked?.personId === personId && asked.lesson !== TOUR ? asked : null)
  const due = new Set(listMemories(db, personId).flatMap(({ code, dueAt }) => (dueAt <= now ? [code] : [])))
  return {
    ready,
    current: current && viewOf(current, cards),
    offers: WITH_ROOM.map((lesson): RoomOffer => {
      const last = roomOf(listLessonRuns(db, personId, [lesson], 2).find(({ endedAt }) => endedAt !== null) ?? null)
      return {
        lesson,
        minutes: ROOMS[lesson].minutes,
        things: ROOMS[lesson].things.length,
        last: last && { run: last.id, at: last.startedAt, share: scoreLesson(last.planted, wordsOf(last)).share },
        due: faultsOf(lesson).filter((code) => due.has(code)).length,
      }
    }),
  }
}
