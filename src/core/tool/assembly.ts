/** A tool put together: one holder with what is in it, from the build until it is taken apart. */
import type { Coupling } from './coupling'
import type { Role } from './kind'
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
  /** Id of the tool that this heat freed from its holder; left out where it was for shrinking in. */
  readonly out?: number
}

/** A part as it was built in. */
export interface BuiltPart {
  readonly role: Role
  readonly component: string
  readonly count: number
  /** Serial of a part that has its own, such as an extension. */
  readonly serial: string | null
}

/** Worn and broken tools are not counted as ready for anything. */
export type Condition = 'fit' | 'worn' | 'broken'

/** As the control's wear registers had it: added to length and radius. */
export interface CarriedWear {
  readonly lengthMm: number
  readonly radiusMm: number
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
  /** Where it stands in the tool room: a slot of a rack or cart, or a bench; null when nobody said. */
  readonly place: string | null
  readonly parts: readonly BuiltPart[]
  readonly condition: Condition
  /** Minutes cut before it went into the machine it is in. */
  readonly lifeUsedMin: number
  /** Minutes cut there so far, as its control counts them; 0 outside. */
  readonly runningMin: number
  readonly dueAt: string | null
  readonly builtAt: string
  readonly stopSetMm: number | null
  /** Wear that goes along into the next machine; null when there is none, or it was cleared. */
  readonly wear: CarriedWear | null
  /** Beside another tool of its T in one machine: 0 the first, 1 its first sister. */
  readonly sister: number
  readonly heat: Heat | null
  /** Counts every change of the row. */
  readonly version: number
}
