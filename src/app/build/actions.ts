'use server'
import { fail } from '@/core/units'
import { abandonBuild, addExtension, beginBuild, tickStep } from '@/stations/build/begin-build'
import { finishBuild } from '@/stations/build/build-tool'
import * as build from '@/stations/build/contract'
import { coolOut, heatOutByHand, startHeatOut } from '@/stations/build/heat-out'
import { putSteps } from '@/stations/build/put-steps'
import { coolDown, shrinkByHand, startHeat, takeOut } from '@/stations/build/shrink'
import { correctCondition, disturb, takeApart } from '@/stations/build/take-apart'
import { defineAction, defineQuestion, only } from '../_server/action'

export const beginBuildAction = defineAction(build.beginBuild, (work, { job, t, serial }) =>
  only(beginBuild(work, job, t, serial), (begun) => ({ serial: begun.serial })),
)
export const finishBuildAction = defineAction(build.finishBuild, (work, { serial }) => finishBuild(work, serial))
export const abandonBuildAction = defineAction(build.abandonBuild, (work, { serial }) => abandonBuild(work, serial))
export const tickStepAction = defineAction(build.tickStep, (work, { serial, step, done }) => tickStep(work, serial, step, done))
export const addExtensionAction = defineAction(build.addExtension, (work, { serial, extension }) =>
  addExtension(work, serial, extension),
)
export const startHeatAction = defineAction(build.startHeat, (work, { serial }, { shrink }) => startHeat(work, shrink, serial))
export const coolDownAction = defineAction(build.coolDown, (work, { serial, body, failed }, { shrink }) =>
  coolDown(work, shrink, serial, body, failed),
)
export const shrinkByHandAction = defineAction(build.shrinkByHand, (work, { serial, way }) => shrinkByHand(work, serial, way))
export const heatOutAction = defineAction(build.heatOut, (work, { serial, reason }, { shrink }) =>
  startHeatOut(work, shrink, serial, reason),
)
export const coolOutAction = defineAction(build.coolOut, (work, { serial, body }, { shrink }) =>
  coolOut(work, shrink, serial, body),
)
export const heatOutByHandAction = defineAction(build.heatOutByHand, (work, { serial, way, reason }) =>
  heatOutByHand(work, serial, way, reason),
)
export const takeOutAction = defineAction(build.takeOut, (_work, { serial }, { shrink }) => takeOut(shrink, serial))
export const unitStateAction = defineQuestion(build.unitState, async (_given, { shrink }) => {
  const state = await shrink.state()
  return state.ok ? state : fail({ code: 'SHRINK_UNIT', error: state.error })
})
export const correctConditionAction = defineAction(build.correctCondition, (work, { serial, reason }) =>
  correctCondition(work, serial, reason),
)
export const takeApartAction = defineAction(build.takeApart, takeApart)
export const disturbAction = defineAction(build.disturb, (work, { serial, what }) => disturb(work, serial, what))
export const putStepsAction = defineAction(build.putSteps, (work, { clamping, steps, version }, { heavy }) =>
  putSteps(work, clamping, steps, heavy, version),
)
