/** The steps of a load on one sheet, each with its state: it goes on from wherever it was left. */
import { isTyped, SPINDLE, switchesOf, type Machine } from '../tool'
import type { MachineState } from './state'

export const LOAD_STEPS = ['pocket', 'open', 'in', 'shut', 'written', 'recorded'] as const
export type LoadStep = (typeof LOAD_STEPS)[number]

export interface StepLine {
  readonly step: LoadStep
  readonly state: 'done' | 'now' | 'later'
  /** SPINDLE: by hand into the spindle. */
  readonly pocket: number
  /** Offsets are typed at the control. */
  readonly typed: boolean
  /** A switch watches it; else whoever loads says that it is done. */
  readonly watched: boolean
}

/** What was said to be done where no switch watches. */
export type Ticks = Readonly<Partial<Record<LoadStep, boolean>>>

/** @param written whether the figures were sent and read back as they should be */
export function loadSteps(
  machine: Machine,
  pocket: number,
  state: MachineState | null,
  ticks: Ticks,
  written: boolean,
): StepLine[] {
  const byHand = pocket === SPINDLE
  const switches = switchesOf(machine)
  const typed = isTyped(machine)
  const doorWatched = !typed && switches.door && state?.door !== null
  const potWatched = !typed && !byHand && switches.pot && state?.toolAtDoor !== null
  const spindleWatched = !typed && byHand && state?.inSpindle !== null && state?.inSpindle !== undefined
  const placeWatched = !typed && (byHand ? state?.changer !== null : state?.atDoor !== null)
  const atPlace = placeWatched ? (byHand ? state?.changer === 'manual' : state?.atDoor === pocket) : ticks.pocket === true
  const inWatched = byHand ? spindleWatched : potWatched
  const seen = byHand ? state?.inSpindle === true : state?.toolAtDoor === true && state.atDoor === pocket
  const isIn = atPlace && (inWatched ? seen : ticks.in === true)
  const isOpen = doorWatched ? state?.door === 'open' || isIn : ticks.open === true || isIn
  const isShut = isIn && (doorWatched ? state?.door === 'shut' : ticks.shut === true)
  const list: readonly (readonly [LoadStep, boolean, boolean])[] = [
    ['pocket', atPlace, placeWatched],
    ['open', isOpen, doorWatched],
    ['in', isIn, inWatched],
    ['shut', isShut, doorWatched],
    ['written', written, !typed],
    ['recorded', false, true],
  ]
  const now = list.findIndex(([, done]) => !done)
  return list.map(([step, done, watched], i) => ({
    step,
    state: i < now || done ? (i > now ? 'later' : 'done') : i === now ? 'now' : 'later',
    pocket,
    typed,
    watched,
  }))
}

/** The step to be done now. */
export const stepNow = (steps: readonly StepLine[]): LoadStep => steps.find((s) => s.state === 'now')?.step ?? 'recorded'
