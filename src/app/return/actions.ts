'use server'
import { ok } from '@/core/units'
import { refuse } from '@/stations/refusals'
import * as back from '@/stations/return/contract'
import { unloadTool } from '@/stations/return/unload'
import { defineAction } from '../_server/action'

export const unloadAction = defineAction(back.unloadTool, (work, given, { control, tagOf }) =>
  unloadTool(work, control, tagOf(given.serial), given),
)
export const turnForReturnAction = defineAction(back.turnForReturn, async (_work, { machine, pocket }, { control }) => {
  const turned = await control.turnTo(machine, pocket)
  return turned.ok ? ok(null) : refuse({ code: 'CONTROL', error: turned.error })
})
