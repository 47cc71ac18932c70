/** What can go wrong with a tool on its way through the room: twenty traps of the trade, beside the causes that a measurement shows. */
import type { CauseCode } from '../causes'

export const TRAP_STATIONS = ['Build', 'Measure', 'Balance', 'Hand over', 'Load'] as const
export type TrapStation = (typeof TRAP_STATIONS)[number]

/** What a miss does at the machine. */
export type Harm = 'scrap' | 'crash' | 'stop' | 'wear'

export interface Trap {
  /** Where it is caught. */
  readonly at: TrapStation
  readonly harm: Harm
  /** Minutes that the machine stands, or that a part took: what it comes to with an hour's price (common practice, no source). */
  readonly minutes: number
}

export const TRAPS = {
  RADIUS_FOR_DIAMETER: { at: 'Hand over', harm: 'scrap', minutes: 90 },
  INCH_FOR_MM: { at: 'Hand over', harm: 'crash', minutes: 480 },
  OTHER_DATUM: { at: 'Measure', harm: 'crash', minutes: 240 },
  CHIP_ON_EDGE: { at: 'Measure', harm: 'scrap', minutes: 60 },
  WRONG_ADAPTER: { at: 'Measure', harm: 'scrap', minutes: 90 },
  OLD_MASTER: { at: 'Measure', harm: 'scrap', minutes: 90 },
  COLLET_BOTTOMS: { at: 'Build', harm: 'scrap', minutes: 60 },
  STEEL_SHANK_SHRUNK: { at: 'Build', harm: 'stop', minutes: 45 },
  WEAR_LEFT: { at: 'Load', harm: 'scrap', minutes: 60 },
  LABEL_ON_WRONG_TOOL: { at: 'Load', harm: 'crash', minutes: 480 },
  WRONG_MACHINE: { at: 'Load', harm: 'crash', minutes: 480 },
  BESIDE_WIDE_TOOL: { at: 'Load', harm: 'crash', minutes: 240 },
  MEASURED_WARM: { at: 'Measure', harm: 'scrap', minutes: 60 },
  STILL_FRAME: { at: 'Measure', harm: 'scrap', minutes: 60 },
  TWO_EDGES: { at: 'Measure', harm: 'wear', minutes: 30 },
  LOOSE_SHANK: { at: 'Build', harm: 'crash', minutes: 240 },
  OTHER_NOSE: { at: 'Measure', harm: 'scrap', minutes: 90 },
  HANDED_OVER_TWICE: { at: 'Load', harm: 'scrap', minutes: 60 },
  BALANCED_FOR_LESS: { at: 'Balance', harm: 'wear', minutes: 30 },
  PART_MISSING: { at: 'Build', harm: 'stop', minutes: 30 },
} as const satisfies Readonly<Record<string, Trap>>
export type TrapCode = keyof typeof TRAPS
export const TRAP_CODES = Object.keys(TRAPS) as TrapCode[]

/** What is planted on a tool: a cause that shows in its measurement, or a trap; `NOTHING` is no fault. */
export type FaultCode = Exclude<CauseCode, 'NOTHING'> | TrapCode

/** What each cause does at the machine when nobody sees it. */
export const CAUSE_HARMS: Readonly<Record<Exclude<CauseCode, 'NOTHING'>, Omit<Trap, 'at'>>> = {
  OFF_CENTRE: { harm: 'wear', minutes: 30 },
  TILTED: { harm: 'wear', minutes: 45 },
  EDGE_HIGH: { harm: 'scrap', minutes: 45 },
  EDGE_LOW: { harm: 'wear', minutes: 20 },
  WRONG_NOSE: { harm: 'scrap', minutes: 90 },
  WORN: { harm: 'scrap', minutes: 45 },
  WARM: { harm: 'scrap', minutes: 60 },
  LENGTH_NOT_SET: { harm: 'scrap', minutes: 60 },
  CREPT: { harm: 'scrap', minutes: 60 },
  WRONG_CUTTER: { harm: 'scrap', minutes: 90 },
  ZERO_MOVED: { harm: 'scrap', minutes: 120 },
}

const isTrap = (code: FaultCode): code is TrapCode => code in TRAPS
/** All that may be planted. */
export const FAULT_CODES: readonly FaultCode[] = [...(Object.keys(CAUSE_HARMS) as (keyof typeof CAUSE_HARMS)[]), ...TRAP_CODES]
export const harmOf = (code: FaultCode): Omit<Trap, 'at'> => (isTrap(code) ? TRAPS[code] : CAUSE_HARMS[code])
