import { onHand, type Balance } from '@/core/plan'
import { holdsTools, type Component, type StoreUnit } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listComponents, namesOf, partsStamp } from '@/db/library/read'
import { remembered } from '@/db/remembered'
import { listBalances, listLying, lastMove, listLyingIn, listMoves, type BookedMove } from '@/db/stock/read'
import { listPlaces, listUnits } from '@/db/store/read'

export interface LowLine {
  readonly part: Component
  readonly balance: Balance
}

/** One part in one place, to be counted. */
export interface CountLine {
  readonly component: string
  readonly name: string
  readonly place: string | null
  readonly count: number
}

export interface StockSheet {
  /** Below what should be there: the first of them, and how many they are. */
  readonly low: readonly LowLine[]
  readonly lowCount: number
  readonly moves: readonly BookedMove[]
  readonly names: ReadonlyMap<string, string>
  /** Furniture with drawers. */
  readonly units: readonly StoreUnit[]
  readonly unit: StoreUnit | null
  /** What should lie in that unit. */
  readonly counts: readonly CountLine[]
  /** How many lines more there are than are shown. */
  readonly moreCounts: number
}

const MOST_LOW = 60
const MOST_COUNTED = 200
const NOTHING: Balance = { received: 0, hand: 0, taken: 0, built: 0, scrapped: 0 }

/** Read once while no part and no piece changes. */
const lowOf = (db: Db): readonly LowLine[] => remembered(db, 'low', `${partsStamp(db)} ${lastMove(db)}`, () => lowNow(db))

function lowNow(db: Db): LowLine[] {
  const kept = listComponents(db).filter((part) => part.leastStock !== undefined)
  const balances = listBalances(
    db,
    kept.map((part) => part.id),
  )
  return kept
    .map((part) => ({ part, balance: balances.get(part.id) ?? NOTHING }))
    .filter(({ part, balance }) => onHand(balance) < part.leastStock!)
}

const byPlace = (a: CountLine, b: CountLine) => ((a.place ?? '~') < (b.place ?? '~') ? -1 : 1)

/** @param unitId whose drawers are to be counted; null: the first */
export function readStock(db: Db, unitId: string | null): StockSheet {
  const low = lowOf(db)
  const moves = listMoves(db, { limit: 60 })
  const units = listUnits(db).filter((unit) => !holdsTools(unit))
  const unit = units.find((u) => u.id === unitId) ?? units[0] ?? null
  const drawers = listPlaces(db).flatMap((p) => (p.unit === unit?.id ? [p.id] : []))
  const lying = listLyingIn(db, drawers)
  const names = namesOf(
    db,
    [...moves, ...lying].map((line) => line.component),
  )
  const counts = lying.map((line) => ({ ...line, name: names.get(line.component) ?? line.component }))
  return {
    low: low.slice(0, MOST_LOW),
    lowCount: low.length,
    moves,
    names,
    units,
    unit,
    counts: counts.sort(byPlace).slice(0, MOST_COUNTED),
    moreCounts: Math.max(0, counts.length - MOST_COUNTED),
  }
}

export interface StockLine extends LowLine {
  readonly places: readonly { readonly place: string | null; readonly count: number }[]
}

/** Every part that was ever received or should be there, with its places: for a table. */
export function readStockLines(db: Db): StockLine[] {
  const balances = listBalances(db)
  const lying = new Map<string, { place: string | null; count: number }[]>()
  for (const { component, place, count } of listLying(db)) {
    const there = lying.get(component)
    if (there) there.push({ place, count })
    else lying.set(component, [{ place, count }])
  }
  return listComponents(db).flatMap((part): StockLine[] => {
    const balance = balances.get(part.id)
    if (!balance && part.leastStock === undefined) return []
    return [{ part, balance: balance ?? NOTHING, places: lying.get(part.id) ?? [] }]
  })
}
