import { onHand } from '@/core/plan'
import { numberOf, roleOf, type Component, type Kind, type Role } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listComponents, partsStamp } from '@/db/library/read'
import { remembered } from '@/db/remembered'
import { listBalances, listLying } from '@/db/stock/read'

/** A part in one line; lengths mm. */
export interface PartRow {
  readonly id: string
  readonly kind: Kind
  readonly name: string
  readonly size: number | null
  readonly RE: number | null
  readonly shank: number | null
  readonly length: number | null
  /** null for a part that never came in. */
  readonly onHand: number | null
  readonly least: number | null
  readonly places: string
  readonly maker: string
  readonly price: number | null
}

export type PartColumn = 'name' | 'kind' | 'size' | 'RE' | 'shank' | 'length' | 'onHand' | 'places' | 'maker'

/** What is looked for; what is left out is not asked. */
export interface PartsAsked {
  readonly words?: string
  readonly kind?: string
  readonly role?: Role
  readonly sizeMm?: number
  readonly sort?: PartColumn
  readonly down?: boolean
  /** Rows before the page, and rows on it. */
  readonly from?: number
  readonly count?: number
}

export interface PartsPage {
  readonly rows: readonly PartRow[]
  /** Parts that were found, and parts there are. */
  readonly found: number
  readonly of: number
}

interface Line extends Omit<PartRow, 'onHand' | 'places'> {
  readonly role: Role
  /** What its words are looked for in. */
  readonly text: string
}

const lineOf = (c: Component): Line => ({
  id: c.id,
  kind: c.kind,
  name: c.name,
  size: numberOf(c, 'DC') ?? numberOf(c, 'DCONWS') ?? numberOf(c, 'DCX') ?? numberOf(c, 'colletSize') ?? null,
  RE: numberOf(c, 'RE') ?? null,
  shank: numberOf(c, 'DMM') ?? null,
  length: numberOf(c, 'OAL') ?? numberOf(c, 'LPR') ?? numberOf(c, 'LF') ?? null,
  least: c.leastStock ?? null,
  maker: c.makerNumber ?? '',
  price: c.price ?? null,
  role: roleOf(c),
  text: `${c.id} ${c.name} ${c.makerNumber ?? ''}`.toLowerCase(),
})

/** Lines are made anew only when a part was added or changed. */
const linesOf = (db: Db): readonly Line[] => remembered(db, 'part lines', partsStamp(db), () => listComponents(db).map(lineOf))

/** Same size as it is written, mm. */
const SAME_MM = 0.005

/** Parts that have every word in their number, name or maker's number, or lie in a place that has it. */
function withWords(db: Db, lines: readonly Line[], words: readonly string[]): readonly Line[] {
  if (!words.length) return lines
  const lying = listLying(db).filter((l) => l.place !== null && words.some((word) => l.place!.toLowerCase().includes(word)))
  const placesOf = new Map<string, string>()
  for (const { component, place } of lying) placesOf.set(component, `${placesOf.get(component) ?? ''} ${place!.toLowerCase()}`)
  return lines.filter((line) => words.every((word) => line.text.includes(word) || placesOf.get(line.id)?.includes(word)))
}

/** What is empty comes last, whichever way. */
function sorted(rows: readonly Line[], down: boolean, valueOf: (line: Line) => string | number | null) {
  const way = down ? -1 : 1
  return [...rows].sort((a, b) => {
    const [x, y] = [valueOf(a), valueOf(b)]
    if (x === y) return a.id < b.id ? -1 : 1
    if (x === null || x === '') return 1
    if (y === null || y === '') return -1
    return x < y ? -way : way
  })
}

/** A page of the library, filtered and sorted over all of it. */
export function readParts(db: Db, asked: PartsAsked = {}): PartsPage {
  const { kind, role, sizeMm, sort, down = false, from = 0, count = Infinity } = asked
  const words = (asked.words ?? '')
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter(Boolean)
  const all = linesOf(db)
  let found = withWords(db, all, words).filter(
    (line) =>
      (!kind || line.kind === kind) &&
      (!role || line.role === role) &&
      (sizeMm === undefined || (line.size !== null && Math.abs(line.size - sizeMm) < SAME_MM)),
  )
  if (sort === 'onHand') {
    const balances = listBalances(db)
    found = sorted(found, down, ({ id }) => (balances.has(id) ? onHand(balances.get(id)!) : null))
  } else if (sort === 'places') {
    const places = placesIn(db)
    found = sorted(found, down, ({ id }) => places.get(id) ?? null)
  } else if (sort) found = sorted(found, down, (line) => line[sort])
  const page = found.slice(from, from + count)
  const ids = count === Infinity ? undefined : page.map((line) => line.id)
  const balances = listBalances(db, ids)
  const places = placesIn(db, ids)
  return {
    found: found.length,
    of: all.length,
    rows: page.map(({ role: _, text: __, ...line }) => ({
      ...line,
      onHand: balances.has(line.id) ? onHand(balances.get(line.id)!) : null,
      places: places.get(line.id) ?? '',
    })),
  }
}

function placesIn(db: Db, ids?: readonly string[]): ReadonlyMap<string, string> {
  const places = new Map<string, string>()
  for (const { component, place } of listLying(db, ids))
    if (place !== null) places.set(component, places.has(component) ? `${places.get(component)} ${place}` : place)
  return places
}
