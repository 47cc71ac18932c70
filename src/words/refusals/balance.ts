import type { BalanceRefusals } from '@/stations/balance/contract'
import { badBalanceText } from '../balance'
import type { Sentences } from './sentences'

export const BALANCE: Sentences<BalanceRefusals> = {
  BAD_BALANCE: ({ why }) => badBalanceText(why),
}
