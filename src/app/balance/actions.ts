'use server'
import { fail, ok } from '@/core/units'
import { beginCalibration, dropCalibration, startCalibrationSpin, takeCalibrationSpin } from '@/stations/balance/calibrate'
import * as balance from '@/stations/balance/contract'
import { chooseFit, computeFits, confirmStep, dropBalance, saveBalance, setWanted, typeBalance } from '@/stations/balance/correct'
import { startSpin, takeSpin } from '@/stations/balance/spin'
import { readSpindleUse } from '@/stations/balance/pages'
import { defineAction, defineQuestion } from '../_server/action'

export const spindleStateAction = defineQuestion(balance.spindleState, async (_given, { db, spindle }) => {
  const state = await spindle.state()
  return state.ok ? ok({ ...state.value, with: readSpindleUse(db) }) : fail({ code: 'SPINDLE', error: state.error })
})
export const setWantedAction = defineAction(balance.setWanted, (work, given, { heavy }) => setWanted(work, heavy, given))
export const startSpinAction = defineAction(balance.startSpin, (work, given, { spindle }) => startSpin(work, spindle, given))
export const takeSpinAction = defineAction(balance.takeSpin, (work, given, { spindle, heavy, evidence }) =>
  takeSpin(work, spindle, heavy, evidence, given),
)
export const computeFitsAction = defineAction(balance.computeFits, (work, given, { heavy }) => computeFits(work, heavy, given))
export const chooseFitAction = defineAction(balance.chooseFit, chooseFit)
export const confirmStepAction = defineAction(balance.confirmStep, confirmStep)
export const saveBalanceAction = defineAction(balance.saveBalance, saveBalance)
export const typeBalanceAction = defineAction(balance.typeBalance, typeBalance)
export const dropBalanceAction = defineAction(balance.dropBalance, (work, { serial }) => dropBalance(work, serial))
export const beginCalibrationAction = defineAction(balance.beginCalibration, beginCalibration)
export const startCalibrationSpinAction = defineAction(balance.startCalibrationSpin, (work, { version }, { spindle }) =>
  startCalibrationSpin(work, spindle, version),
)
export const takeCalibrationSpinAction = defineAction(
  balance.takeCalibrationSpin,
  (work, { version }, { spindle, heavy, evidence }) => takeCalibrationSpin(work, spindle, heavy, evidence, version),
)
export const dropCalibrationAction = defineAction(balance.dropCalibration, (work) => dropCalibration(work))
