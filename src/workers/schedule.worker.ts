/** Goes on looking for a better order of the day, beside the page; whoever started it ends it. */
import { expose } from 'comlink'
import { latenessBound, lookOn, scheduleIn, type Room, type Schedule, type ToolToDo } from '@/core/schedule'

/** How often it tells how far it is, ms. */
const TELL_MS = 200

const api = {
  /** @param tell after so many orders, with the best of them */
  look(order: readonly string[], tools: readonly ToolToDo[], room: Room, tell: (tried: number, best: Schedule) => void): void {
    const byId = new Map(tools.map((tool) => [tool.id, tool]))
    const start = scheduleIn(
      order.flatMap((id) => byId.get(id) ?? []),
      room,
    )
    let tried = 0
    let best = start
    let told = performance.now()
    for (best of lookOn(start, tools, room, latenessBound(tools, room))) {
      tried++
      if (performance.now() - told < TELL_MS) continue
      told = performance.now()
      tell(tried, best)
    }
    tell(tried, best)
  },
}

export type ScheduleApi = typeof api

expose(api)
