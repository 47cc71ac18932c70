/** A tool put together: one holder with what is in it, from the build until it is taken apart. */
import type { Coupling } from './coupling'
import type { ToolState } from './life'

/** The last heat of its joint, for how warm it still is. */
export interface Heat {
  readonly endedAt: string
  readonly fromC: number
  readonly ambientC: number
  readonly tauS: number
  readonly heatedMm: number
  /** Earliest times, ISO 8601. */
  readonly touchAt: string
  readonly measureAt: string
}

export interface Assembly {
  readonly id: number
  readonly serial: string
  readonly t: number | null
  readonly name: string
  readonly definition: { readonly id: string; readonly version: number } | null
  readonly machine: string | null
  readonly job: string | null
  readonly coupling: Coupling
  readonly state: ToolState
  /** Set while it stands in a machine. */
  readonly pocket: number | null
  readonly dueAt: string | null
  readonly builtAt: string
  readonly stopSetMm: number | null
  readonly heat: Heat | null
  /** Counts every change of the row. */
  readonly version: number
}
