'use server'
import * as teaching from '@/stations/teaching/contract'
import { endCondition, makeLesson, putCondition, retireLesson } from '@/stations/teaching/teach'
import { defineAction } from '../../_server/action'

export const makeLessonAction = defineAction(teaching.makeLesson, (work, given) => makeLesson(work, given))
export const retireLessonAction = defineAction(teaching.retireLesson, (work, { id }) => retireLesson(work, id))
export const putConditionAction = defineAction(teaching.putCondition, (work, given) => putCondition(work, given))
export const endConditionAction = defineAction(teaching.endCondition, (work, { id }) => endCondition(work, id))
