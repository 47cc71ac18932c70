'use server'
import * as atMachine from '@/stations/at-machine/contract'
import { changeInsert } from '@/stations/at-machine/change-insert'
import { noteTouchOff } from '@/stations/at-machine/note-touch-off'
import { setStation } from '@/stations/at-machine/set-station'
import { checkBlock, keepCheckBlock } from '@/stations/at-machine/check-block'
import { defineAction, defineQuestion } from '../../_server/action'

export const noteTouchOffAction = defineAction(atMachine.noteTouchOff, (work, given, { control }) =>
  noteTouchOff(work, control, given),
)
export const changeInsertAction = defineAction(atMachine.changeInsert, (work, given, { control }) =>
  changeInsert(work, control, given),
)
export const checkBlockAction = defineQuestion(atMachine.checkBlock, (given, here) => checkBlock(here, given))
export const keepCheckBlockAction = defineAction(atMachine.keepCheckBlock, (work, given, here) =>
  keepCheckBlock(work, here, given),
)
export const setStationAction = defineAction(atMachine.setStation, setStation)
