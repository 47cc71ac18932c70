import { onHand, type Balance } from '@/core/plan'
import type { Component } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listComponents } from '@/db/library/read'
import { listBalances, listLying, listMoves, type BookedMove } from '@/db/stock/read'

export interface StockLine {
  readonly part: Component
  readonly balance: Balance
  readonly places: readonly { readonly place: string | null; readonly count: number }[]
}

export interface StockSheet {
  /** Everything that was ever received. */
  readonly lines: readonly StockLine[]
  /** Below what should be there. */
  readonly low: readonly StockLine[]
  readonly moves: readonly BookedMove[]
}

export function readStock(db: Db): StockSheet {
  const balances = listBalances(db)
  const lying = new Map<string, { place: string | null; count: number }[]>()
  for (const { component, place, count } of listLying(db))
    lying.set(component, [...(lying.get(component) ?? []), { place, count }])
  const lines = listComponents(db).flatMap((part): StockLine[] => {
    const balance = balances.get(part.id)
    if (!balance && part.leastStock === undefined) return []
    return [
      {
        part,
        balance: balance ?? { received: 0, hand: 0, taken: 0, built: 0, scrapped: 0 },
        places: lying.get(part.id) ?? [],
      },
    ]
  })
  return {
    lines,
    low: lines.filter(({ part, balance }) => part.leastStock !== undefined && onHand(balance) < part.leastStock),
    moves: listMoves(db, { limit: 60 }),
  }
}
