import type { Definition } from './definition'
import { loadLimitsOf, type Machine } from './machine'

/** Whether a tool is balanced before it is measured, after, or not at all. */
export type BalanceOrder = 'first' | 'after' | 'none'

/**
 * The definition's own order, or its machine's. A tool is balanced when its definition names a grade, or when it is turned so fast that its
 * machine asks for it. One that is set by a screw of its own is set, and so measured, first: its slide moves mass.
 * @param rpm highest speed of the programs that want it; null where none says
 */
export function balanceOrder(
  definition: Pick<Definition, 'route' | 'balance'> | null,
  machine: Pick<Machine, 'route' | 'limits'> | null,
  rpm: number | null,
  adjustable: boolean,
): BalanceOrder {
  const own = definition?.route ?? 'as the machine'
  const route = own === 'as the machine' ? (machine?.route ?? 'no balance') : own
  if (own === 'no balance') return 'none'
  const fast = machine !== null && rpm !== null && rpm >= loadLimitsOf(machine).balanceFromRpm
  if (!definition?.balance && (route === 'no balance' || !fast)) return 'none'
  return route === 'balance, then measure' && !adjustable ? 'first' : 'after'
}
