import type { BadBalance } from '@/core/balance'

export interface BalanceRefusals {
  /** A task of balancing that cannot be worked on. */
  BAD_BALANCE: { readonly why: BadBalance }
}
