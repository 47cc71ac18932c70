/** A tool on its way into a machine. */
import type { RegisterName } from '../handover'
import type { LoadRule } from '../tool'
import type { Ticks } from './steps'

export interface Overruled {
  readonly rule: LoadRule
  readonly reason: string
  readonly who: string
}

export interface LoadRun {
  readonly id: number
  readonly serial: string
  readonly machine: string
  /** SPINDLE by hand. */
  readonly pocket: number
  readonly t: number
  /** 0 the first tool of its T, 1 its first sister. */
  readonly sister: number
  readonly handover: number
  readonly overruled: readonly Overruled[]
  readonly ticks: Ticks
  /** What was read back by eye from a control that only takes typing, in its unit. */
  readonly typed: Readonly<Partial<Record<RegisterName, number>>>
  /** Whether figures were sent to the control: from then on it must answer before anything is given up. */
  readonly sent: boolean
  readonly personId: string
  readonly startedAt: string
  /** Counts every change. */
  readonly version: number
}
