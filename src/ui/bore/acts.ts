import type { Ask } from '@/stations/contract'
import type * as bore from '@/stations/bore/contract'
import type * as standIn from '@/stations/stand-in/contract'

export interface BoreActs {
  readonly set: Ask<typeof bore.setDial>
  readonly move: Ask<typeof bore.moveDial>
  readonly bore: Ask<typeof bore.saveBore>
  /** Hands at a head that is a stand-in; null where heads are real. */
  readonly cut: Ask<typeof standIn.cutBore> | null
}
