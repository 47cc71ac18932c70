'use server'
import * as study from '@/stations/study/contract'
import { endStudy, startStudy } from '@/stations/study/studies'
import { defineAction } from '../../_server/action'

export const startStudyAction = defineAction(study.startStudy, startStudy)
export const endStudyAction = defineAction(study.endStudy, (work, { id }) => endStudy(work, id))
