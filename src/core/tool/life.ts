/** The life of an assembled tool: which event may follow which state, in one table. */
export const TOOL_STATES = ['built', 'measured', 'released', 'loaded', 'apart'] as const
export type ToolState = (typeof TOOL_STATES)[number]

/**
 * A tool comes out of its machine unchanged, for another machine or with wear that goes along (both want a new hand-over),
 * or so that what was measured of it does not count any more.
 */
export type ToolEvent =
  'save-measurement' | 'release' | 'void' | 'load' | 'unload' | 'unload-carried' | 'unload-changed' | 'disturb' | 'take-apart'

/** A new measurement of a released tool makes its hand-over out of date; what disturbs a tool sets back all that followed. */
const TABLE: Readonly<Record<ToolState, Readonly<Partial<Record<ToolEvent, ToolState>>>>> = {
  built: { 'save-measurement': 'measured', disturb: 'built', 'take-apart': 'apart' },
  measured: { 'save-measurement': 'measured', release: 'released', disturb: 'built', 'take-apart': 'apart' },
  released: {
    'save-measurement': 'measured',
    release: 'released',
    void: 'measured',
    load: 'loaded',
    disturb: 'built',
    'take-apart': 'apart',
  },
  loaded: { unload: 'released', 'unload-carried': 'measured', 'unload-changed': 'built' },
  apart: {},
}

/** @returns the next state, or null when the event may not happen now */
export const nextState = (state: ToolState, event: ToolEvent): ToolState | null => TABLE[state][event] ?? null

export type Station = 'build' | 'measure' | 'balance' | 'hand-over' | 'load'

/** Where a tool in this state waits. */
export function stationOf(state: ToolState): Station | null {
  switch (state) {
    case 'built':
      return 'measure'
    case 'measured':
      return 'hand-over'
    case 'released':
      return 'load'
    case 'loaded':
    case 'apart':
      return null
  }
}

/** Where a tool waits, by its state, its condition and its last verdict: what is out of tolerance is corrected first. */
export type Waits = Station | 'correct' | 'change cutter'

/**
 * @param verdict of the last measurement; null when nothing was judged
 * @param toBalance before or after it is measured; null where it is balanced, or need not be
 */
export function waitsFor(
  { state, condition }: { readonly state: ToolState; readonly condition: 'fit' | 'worn' | 'broken' },
  verdict: 'holds' | 'unsure' | 'off' | null,
  toBalance: 'first' | 'after' | null = null,
): Waits | null {
  const station = stationOf(state)
  if (station === null) return null
  if (condition !== 'fit') return 'change cutter'
  if (station === 'hand-over' && verdict === 'off') return 'correct'
  if (station === 'measure' && toBalance === 'first') return 'balance'
  return station === 'hand-over' && toBalance !== null ? 'balance' : station
}

/** What may happen to a tool that sets back what depended on it. */
export const DISTURBANCES = ['heated', 're-clamped', 'insert turned', 'adjusted', 'dropped'] as const
export type Disturbance = (typeof DISTURBANCES)[number]

/** What becomes of one part when a tool is taken apart. */
export interface PartDisposition {
  readonly component: string
  readonly count: number
  readonly to: 'back' | 'scrap'
  /** What was seen on it; empty when nothing was. */
  readonly wear: string
}
