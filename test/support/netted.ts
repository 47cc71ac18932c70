import { readNetted } from '@/stations/kit/inventory'
import type { ToolRoom } from './tool-room'

/** How a tool of the first job stands. @param now ISO 8601 */
export const netted = (room: ToolRoom, now: string, t: number, job = 'HP-2207') =>
  readNetted(room.db, now)
    .tools.get(job)
    ?.find((tool) => tool.wanted.t === t)?.standing
