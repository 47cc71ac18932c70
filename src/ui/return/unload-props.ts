import type { Ask } from '@/stations/contract'
import type * as back from '@/stations/return/contract'
import type * as standIn from '@/stations/stand-in/contract'

export interface UnloadPanelProps {
  readonly serial: string
  readonly machine: { readonly key: string; readonly name: string }
  readonly pocket: number | null
  readonly worn: boolean
  /** Its hand-over is still current. */
  readonly current: boolean
  readonly ready: boolean
  /** By the control's own count. */
  readonly cutMin: number | null
  /** Machines of the same taper. */
  readonly others: readonly { readonly key: string; readonly name: string }[]
  /** A stand-in has no hands of its own. */
  readonly standIn: boolean
  readonly atDoor: boolean
  /** Its pocket’s switch, or the spindle’s, still sees it. */
  readonly seen: boolean
  readonly unload: Ask<typeof back.unloadTool>
  readonly turn: Ask<typeof back.turnForReturn>
  readonly takeOut: Ask<typeof standIn.takeFromMachine>
}
