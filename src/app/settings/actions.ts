'use server'
import { cleanPictures } from '@/stations/measure/clean-pictures'
import * as measure from '@/stations/measure/contract'
import { keepPractice } from '@/stations/practice'
import * as practice from '@/stations/practice/contract'
import { defineAction } from '../_server/action'

export const keepPracticeAction = defineAction(practice.keepPractice, (work, { key, value, from }) =>
  keepPractice(work, key, value, from),
)
export const cleanPicturesAction = defineAction(measure.cleanPictures, (work, { keepDays }, { evidence }) =>
  cleanPictures(work, evidence, keepDays),
)
