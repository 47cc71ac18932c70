import type { changeInsert, checkBlock, InsertTool, noteTouchOff, TouchOffLine } from '@/stations/at-machine/contract'
import type { Ask } from '@/stations/contract'

export interface AtMachineProps {
  readonly machine: { readonly key: string; readonly name: string; readonly kind: 'mill' | 'lathe' }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly lines: readonly TouchOffLine[]
  /** Tools with inserts that are in it. */
  readonly inside: readonly InsertTool[]
  readonly change: Ask<typeof changeInsert>
  readonly check: Ask<typeof checkBlock>
  readonly note: Ask<typeof noteTouchOff>
}
