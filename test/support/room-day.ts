/** A small tool room and small tools, to plan a day with. */
import type { Room, StepKind, ToolToDo } from '@/core/schedule'

export const ROOM: Room = {
  people: 1,
  places: { 'shrink unit': 1, cooling: 2, assembly: 2, bench: 1, balance: 1, cart: 1 },
  ...{ adapterMin: 8, adapter: 'HSK-A63', adapters: {}, pieces: {} },
}

export type ShortSteps = readonly (readonly [StepKind, number])[]
export const SHRUNK: ShortSteps = [
  ['fetch', 3],
  ['heat', 2],
  ['cool', 10],
  ['measure', 5],
]
export const COLLET: ShortSteps = [
  ['fetch', 3],
  ['build', 6],
  ['measure', 5],
]

export const toolToDo = (id: string, steps: ShortSteps, change: Partial<ToolToDo> = {}): ToolToDo => ({
  ...{ id, job: 'J', dueMin: 60, readyMin: 0, coupling: 'HSK-A63', begun: false, piece: null },
  steps: steps.map(([kind, minutes]) => ({ kind, minutes })),
  ...change,
})
