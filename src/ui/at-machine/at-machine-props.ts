import type { StationError } from '@/core/tool'
import type {
  changeInsert,
  checkBlock,
  InsertTool,
  keepCheckBlock,
  noteTouchOff,
  setStation,
  TouchOffLine,
} from '@/stations/at-machine/contract'
import type { sweepPost } from '@/stations/stand-in/contract'
import type { Ask } from '@/stations/contract'

export interface AtMachineProps {
  readonly machine: {
    readonly key: string
    readonly name: string
    readonly kind: 'mill' | 'lathe'
    readonly sizeRegister: 'radius' | 'diameter'
    /** Stations of its turret, or pockets. */
    readonly pockets: number
    readonly version: number
    readonly stations: Readonly<Record<string, StationError>>
    /** The template of its check block, and whether that is its own. */
    readonly template: string
    readonly ownTemplate: boolean
  }
  readonly lead: boolean
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly lines: readonly TouchOffLine[]
  /** Tools with inserts that are in it. */
  readonly inside: readonly InsertTool[]
  readonly change: Ask<typeof changeInsert>
  readonly check: Ask<typeof checkBlock>
  readonly note: Ask<typeof noteTouchOff>
  readonly keepCheck: Ask<typeof keepCheckBlock>
  readonly station: Ask<typeof setStation>
  /** Hands at a stand-in dial; null where dials are real. */
  readonly sweep: Ask<typeof sweepPost> | null
}
