'use server'
import { cleanPictures } from '@/stations/measure/clean-pictures'
import * as devices from '@/stations/devices/contract'
import { putDevices, putOwnDevices } from '@/stations/devices/put-devices'
import { tryDevice } from '@/stations/devices/try-device'
import * as measure from '@/stations/measure/contract'
import * as outside from '@/stations/outside/contract'
import { endHook, makeHook, tellAgain } from '@/stations/outside/hooks'
import * as people from '@/stations/people/contract'
import { endClient, makeClient } from '@/stations/people/clients'
import { putShop } from '@/stations/people/put-shop'
import { endSessions, putPerson, setPin, setSignIn } from '@/stations/people/put-person'
import { keepPractice } from '@/stations/practice'
import * as practice from '@/stations/practice/contract'
import * as setUp from '@/stations/set-up/contract'
import { putRow, retireRow, standardCoupling } from '@/stations/set-up/put-row'
import { previewTable, putTable } from '@/stations/set-up/put-table'
import { applyZone } from '@/runtime/zone'
import { newSecret, newToken } from '@/runtime/tokens'
import { defineAction, defineQuestion } from '../_server/action'

export const keepPracticeAction = defineAction(practice.keepPractice, (work, { key, value, from }) =>
  keepPractice(work, key, value, from),
)
export const cleanPicturesAction = defineAction(measure.cleanPictures, (work, { keepDays }, { evidence }) =>
  cleanPictures(work, evidence, keepDays),
)
export const putPersonAction = defineAction(people.putPerson, (work, given) => putPerson(work, given))
export const putShopAction = defineAction(people.putShop, (work, given) => {
  const done = putShop(work, given)
  if (done.ok) applyZone(work.db)
  return done
})
export const setPinAction = defineAction(people.setPin, (work, given, { pins }) => setPin(work, pins, given))
export const setSignInAction = defineAction(people.setSignIn, (work, given) => setSignIn(work, given))
export const endSessionsAction = defineAction(people.endSessions, (work, { personId }) => endSessions(work, personId))
export const makeClientAction = defineAction(people.makeClient, (work, given) => makeClient(work, newToken(), given))
export const endClientAction = defineAction(people.endClient, (work, { id }) => endClient(work, id))
export const makeHookAction = defineAction(outside.makeHook, (work, given) => makeHook(work, newSecret(), given))
export const endHookAction = defineAction(outside.endHook, (work, { id }) => endHook(work, id))
export const tellAgainAction = defineAction(outside.tellAgain, (work, { id }) => tellAgain(work, id))
export const putRowAction = defineAction(setUp.putRow, (work, given) => putRow(work, given))
export const retireRowAction = defineAction(setUp.retireRow, (work, given) => retireRow(work, given))
export const standardCouplingAction = defineAction(setUp.standardCoupling, (work, given) => standardCoupling(work, given))
export const previewTableAction = defineQuestion(setUp.previewTable, (given, { db, person, heavy }) =>
  previewTable(db, person, heavy, given),
)
export const putTableAction = defineAction(setUp.putTable, (work, given, { heavy }) => putTable(work, heavy, given))
export const putDevicesAction = defineAction(devices.putDevices, (work, given, { standIns }) => putDevices(work, given, standIns))
export const putOwnDevicesAction = defineAction(devices.putOwnDevices, (work, own, { sessionId, own: before, standIns }) =>
  putOwnDevices(work, { sessionId: sessionId ?? '', own: before }, own, standIns),
)
export const tryDeviceAction = defineQuestion(devices.tryDevice, (asked, drivers) => tryDevice(drivers, asked))
