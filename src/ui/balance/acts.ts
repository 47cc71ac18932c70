import type * as balance from '@/stations/balance/contract'
import type { Ask } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'

/** What the sheet can have done. */
export interface BalanceActs {
  readonly spindle: Ask<typeof balance.spindleState>
  readonly wanted: Ask<typeof balance.setWanted>
  readonly start: Ask<typeof balance.startSpin>
  readonly take: Ask<typeof balance.takeSpin>
  readonly compute: Ask<typeof balance.computeFits>
  readonly choose: Ask<typeof balance.chooseFit>
  readonly confirm: Ask<typeof balance.confirmStep>
  readonly save: Ask<typeof balance.saveBalance>
  readonly type: Ask<typeof balance.typeBalance>
  readonly drop: Ask<typeof balance.dropBalance>
  readonly hand: Ask<typeof standIn.spindleHand>
  readonly really: Ask<typeof standIn.reallyDo>
}
