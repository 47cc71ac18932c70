/** Below what the largest lateness cannot be, whatever the order. */
import { NEEDS_PERSON, PLACE_OF, PLACES, type Room, type Step, type ToolToDo } from './tool'

const sum = (steps: readonly Step[]) => steps.reduce((s, { minutes }) => s + minutes, 0)

/** Work at one place: what must come before it, how long it is there, and what must come after. */
interface Load {
  readonly head: number
  readonly minutes: number
  readonly tail: number
  readonly dueMin: number
}

/**
 * Of all tools that are due until some date: none reaches the place before the least head, together they are there for so long, and after the
 * last of them at least the least tail is to be done.
 */
function placeBound(loads: readonly Load[], count: number): number {
  let least = -Infinity
  for (const { dueMin } of loads) {
    const until = loads.filter((l) => l.dueMin <= dueMin)
    const head = Math.min(...until.map((l) => l.head))
    const tail = Math.min(...until.map((l) => l.tail))
    const work = until.reduce((s, l) => s + l.minutes, 0)
    least = Math.max(least, head + work / count + tail - dueMin)
  }
  return least
}

/** @returns minutes of lateness that no order stays below; -Infinity without tools */
export function latenessBound(tools: readonly ToolToDo[], room: Room): number {
  const alone = Math.max(-Infinity, ...tools.map((t) => t.readyMin + sum(t.steps) - t.dueMin))
  const loadsWhere = (wanted: (step: Step) => boolean): Load[] =>
    tools.flatMap((tool) => {
      // what is begun goes on whatever the room has, so several of them may be at one place at once
      const is = (step: Step, i: number) => wanted(step) && !(tool.begun && i === 0)
      const at = tool.steps.findIndex(is)
      if (at < 0) return []
      const last = tool.steps.findLastIndex(is)
      const minutes = sum(tool.steps.filter(is))
      return [
        {
          head: tool.readyMin + sum(tool.steps.slice(0, at)),
          minutes,
          tail: sum(tool.steps.slice(last + 1)),
          dueMin: tool.dueMin,
        },
      ]
    })
  const places = PLACES.map((place) =>
    placeBound(
      loadsWhere(({ kind }) => PLACE_OF[kind] === place),
      room.places[place],
    ),
  )
  const people = placeBound(
    loadsWhere(({ kind }) => NEEDS_PERSON[kind]),
    room.people,
  )
  return Math.max(alone, people, ...places)
}
