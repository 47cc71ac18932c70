import type { noteTouchOff, TouchOffLine } from '@/stations/at-machine/contract'
import type { Ask } from '@/stations/contract'

export interface AtMachineProps {
  readonly machine: { readonly key: string; readonly name: string; readonly kind: 'mill' | 'lathe' }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly lines: readonly TouchOffLine[]
  readonly note: Ask<typeof noteTouchOff>
}
