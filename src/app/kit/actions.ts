'use server'
import { addTools, closeJob, readAndAddJob } from '@/stations/kit/add-job'
import { changeJob, copyJob, mapTool, reopenJob } from '@/stations/kit/change-job'
import * as kit from '@/stations/kit/contract'
import { neededNow, takeBackNow } from '@/stations/kit/needed-now'
import { putBack, shortPick, takePart } from '@/stations/kit/pick'
import { reserveTool } from '@/stations/kit/reserve'
import { tickOff, writeNote } from '@/stations/kit/shift'
import { putIntoPlace } from '@/stations/store/slot'
import { defineAction, only } from '../_server/action'

const idOf = ({ id }: { readonly id: string }) => ({ id })

export const addJobAction = defineAction(kit.addJob, async (work, job, { heavy }) =>
  only(await readAndAddJob(work, heavy, job), idOf),
)
export const addToolsAction = defineAction(kit.addTools, (work, { job, tools, version }) =>
  only(addTools(work, job, tools, version), () => null),
)
export const closeJobAction = defineAction(kit.closeJob, (work, { job, state }) => closeJob(work, job, state))
export const changeJobAction = defineAction(kit.changeJob, (work, { job, ...facts }) => changeJob(work, job, facts))
export const copyJobAction = defineAction(kit.copyJob, (work, { job, id, dueAt }) =>
  only(copyJob(work, job, { id, dueAt }), idOf),
)
export const reopenJobAction = defineAction(kit.reopenJob, (work, { job, reason }) => reopenJob(work, job, reason))
export const mapToolAction = defineAction(kit.mapTool, (work, { job, t, to, version }) => mapTool(work, job, t, to, version))
export const neededNowAction = defineAction(kit.neededNow, (work, { serial }) => only(neededNow(work, serial), idOf))
export const takeBackNowAction = defineAction(kit.takeBackNow, (work, { job, reason }) => takeBackNow(work, job, reason))
export const takePartAction = defineAction(kit.takePart, takePart)
export const putBackAction = defineAction(kit.putBack, putBack)
export const shortPickAction = defineAction(kit.shortPick, shortPick)
export const reserveAction = defineAction(kit.reserveTool, (work, { serial, job, from }) => reserveTool(work, serial, job, from))
export const putIntoPlaceAction = defineAction(kit.putIntoPlace, (work, { serial, place }) => putIntoPlace(work, serial, place))
export const writeNoteAction = defineAction(kit.writeNote, (work, { text }) => writeNote(work, text))
export const tickOffAction = defineAction(kit.tickOff, (work, { id }) => tickOff(work, id))
