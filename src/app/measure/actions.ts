'use server'
import { addAdapter, changeAdapter, overruleCheck, renewMaster } from '@/stations/measure/adapter'
import { readCameraState } from '@/stations/measure/check-camera'
import { saveValuesCheck } from '@/stations/measure/check-values'
import * as measure from '@/stations/measure/contract'
import { keepProgram } from '@/stations/measure/keep-program'
import { readLine, saveLineFigures } from '@/stations/measure/line-figures'
import { saveFigures } from '@/stations/measure/save-figures'
import { takeInTool } from '@/stations/measure/take-in-tool'
import { defineAction, defineQuestion } from '../_server/action'
import { say } from '@/words/screens/measure'

export const changeAdapterAction = defineAction(measure.changeAdapter, (work, { serial, from }) =>
  changeAdapter(work, serial, from),
)
export const addAdapterAction = defineAction(measure.addAdapter, (work, piece) =>
  addAdapter(work, { ...piece, name: piece.name || say.adapterOf(piece.coupling) }),
)
export const renewMasterAction = defineAction(measure.renewMaster, renewMaster)
export const overruleCheckAction = defineAction(measure.overruleCheck, (work, { reason }) => overruleCheck(work, reason))
export const saveValuesCheckAction = defineAction(measure.saveValuesCheck, (work, given, { devices }) =>
  saveValuesCheck(work, given, devices().benchAddress),
)
export const saveFiguresAction = defineAction(measure.saveFigures, (work, given, { devices }) =>
  saveFigures(work, { ...given, source: 'typed', reason: given.reason || null }, devices().benchAddress),
)
export const cameraStateAction = defineQuestion(measure.cameraState, (given, { db, now }) => readCameraState(db, given, now))
export const readLineAction = defineQuestion(measure.readLine, (_given, { lineBench }) => readLine(lineBench))
export const saveLineAction = defineAction(measure.saveLineFigures, (work, given, { lineBench, devices }) =>
  saveLineFigures(work, lineBench, { ...given, reason: given.reason || null }, devices().benchAddress),
)
export const keepProgramAction = defineAction(measure.keepProgram, keepProgram)
export const takeInToolAction = defineAction(measure.takeInTool, (work, tool) =>
  takeInTool(work, { ...tool, name: tool.name || say.toolWithoutADefinition }),
)
