import { currentHandover } from '@/db/handover/read'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { loaded, measured, toolRoom, valueOf, withJobs, withT4, type ToolRoom } from './tool-room'

/** T4 of the demo, built, measured, handed over and loaded into Heron. */
export async function loadedT4(): Promise<ToolRoom> {
  const room = measured(withT4(withJobs(toolRoom())))
  valueOf(await releaseHandover(room.as('ines', 70), room.control, { serial: 'BX00143', scanned: 'BX00143' }))
  valueOf(await loaded(room, { machine: 'HERON', serial: 'BX00143', label: currentHandover(room.db, 'BX00143')!.label }, 75))
  return room
}
