'use server'
import { cleanPictures } from '@/stations/measure/clean-pictures'
import * as measure from '@/stations/measure/contract'
import * as people from '@/stations/people/contract'
import { endSessions, putPerson, setPin, setSignIn } from '@/stations/people/put-person'
import { keepPractice } from '@/stations/practice'
import * as practice from '@/stations/practice/contract'
import { defineAction } from '../_server/action'

export const keepPracticeAction = defineAction(practice.keepPractice, (work, { key, value, from }) =>
  keepPractice(work, key, value, from),
)
export const cleanPicturesAction = defineAction(measure.cleanPictures, (work, { keepDays }, { evidence }) =>
  cleanPictures(work, evidence, keepDays),
)
export const putPersonAction = defineAction(people.putPerson, (work, given) => putPerson(work, given))
export const setPinAction = defineAction(people.setPin, (work, given, { pins }) => setPin(work, pins, given))
export const setSignInAction = defineAction(people.setSignIn, (work, given) => setSignIn(work, given))
export const endSessionsAction = defineAction(people.endSessions, (work, { personId }) => endSessions(work, personId))
