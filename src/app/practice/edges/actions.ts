'use server'
import { randomInt } from 'node:crypto'
import * as lessons from '@/stations/lessons/contract'
import { askOpinion, endLesson, sayFault, startLesson } from '@/stations/lessons/lessons'
import { defineAction } from '../../_server/action'

export const startLessonAction = defineAction(lessons.startLesson, (work, { own }) =>
  startLesson(work, randomInt(1, 2 ** 30), own ?? null),
)
export const sayFaultAction = defineAction(lessons.sayFault, (work, given) => sayFault(work, given))
export const askOpinionAction = defineAction(lessons.askOpinion, (work, given) => askOpinion(work, given))
export const endLessonAction = defineAction(lessons.endLesson, (work, { run }) => endLesson(work, run))
