'use server'
import { beginLoad, tickStep, turnMagazine, typeFigure } from '@/stations/load/begin-load'
import * as load from '@/stations/load/contract'
import { dropLoad } from '@/stations/load/drop-load'
import { keepLimits } from '@/stations/load/keep-limits'
import { loadTool } from '@/stations/load/load-tool'
import { defineAction } from '../_server/action'

export const beginLoadAction = defineAction(load.beginLoad, (work, given, { control }) => beginLoad(work, control, given))
export const turnMagazineAction = defineAction(load.turnMagazine, (work, { serial }, { control }) =>
  turnMagazine(work, control, serial),
)
export const tickStepAction = defineAction(load.tickStep, (work, { serial, step }, { control }) =>
  tickStep(work, control, serial, step),
)
export const typeFigureAction = defineAction(load.typeFigure, (work, { serial, register, value }) =>
  typeFigure(work, serial, register, value),
)
export const loadAction = defineAction(load.loadTool, (work, { serial }, { control }) => loadTool(work, control, serial))
export const dropLoadAction = defineAction(load.dropLoad, (work, { serial, reason }, { control }) =>
  dropLoad(work, control, serial, reason),
)
export const keepLimitsAction = defineAction(load.keepLimits, (work, { machine, limits, magazine, version }) =>
  keepLimits(work, machine, limits, magazine, version),
)
