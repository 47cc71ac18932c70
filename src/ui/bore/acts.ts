import type { Ask } from '@/stations/contract'
import type * as bore from '@/stations/bore/contract'

export interface BoreActs {
  readonly set: Ask<typeof bore.setDial>
  readonly move: Ask<typeof bore.moveDial>
  readonly bore: Ask<typeof bore.saveBore>
}
