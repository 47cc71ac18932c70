import 'server-only'
import { benchTicket, handOut } from '@/runtime/bench-ticket'
import type { BenchNow } from '@/stations/measure/bench-state'
import type { MeasureSheet } from '@/stations/measure/measure-sheet'
import type { Context } from './context'

/** What the bench in the browser gets of a tool: what it draws, where to look, what to measure. */
export function openTool({ db, now, devices }: Context, { assembly, definition, steps }: MeasureSheet, bench: BenchNow) {
  // what is drawn by a stand-in is never measured in a shop that has none
  if (devices().bench !== 'stand-in') throw new Error('no stand-in of the bench is chosen')
  const edges = definition?.edges ?? null
  return {
    ticket: handOut(db, benchTicket(db, assembly), now, assembly),
    hint: definition ? { x: definition.DC.nominal / 2, z: definition.LF.nominal } : null,
    edges,
    turning: definition?.toolClass === 'turn',
    sweep: definition?.toolClass !== 'turn' && edges !== 1,
    steps,
    zero: bench.zero,
  }
}
