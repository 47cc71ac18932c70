import { holdsTools, type Coupling, type Place, type StoreUnit } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { readCouplings } from '@/db/coupling/read'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listFreeHolders, namesOf } from '@/db/library/read'
import { listLyingIn } from '@/db/stock/read'
import { listPlaces, listUnits } from '@/db/store/read'
import { putPlace, putUnit } from '@/db/store/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'

/** Cells of the plan. */
export const FLOOR = { width: 26, height: 15 } as const

export const floorOf = (db: Db) => ({ ...FLOOR, units: listUnits(db) })

/** The unit where a round begins and ends: the first bench, else the top-left corner of the plan. */
export const benchOf = (db: Db): string => listUnits(db).find((u) => u.kind === 'bench')?.id ?? ''

export interface PlaceContent {
  readonly place: Place
  readonly parts: readonly { readonly component: string; readonly name: string; readonly count: number }[]
  /** The complete tool or the free holder that stands there. */
  readonly standing: readonly { readonly serial: string; readonly text: string }[]
}

export interface StoreSheet {
  readonly units: readonly StoreUnit[]
  /** Drawers or slots of each unit, by its id. */
  readonly drawers: Readonly<Record<string, number>>
  /** The unit that is looked at; null for none, or one that is not on the plan. */
  readonly unit: StoreUnit | null
  /** The one drawer that was asked for. */
  readonly chosen: Place | null
  /** What is in that drawer, or in all of the unit. */
  readonly places: readonly PlaceContent[]
}

/** The plan, and what is in one unit or drawer of it. @param asked its id, in any case; null for none */
export function readStore(db: Db, asked: string | null): StoreSheet {
  const units = listUnits(db)
  const places = listPlaces(db)
  const id = asked?.toUpperCase()
  const chosen = places.find((p) => p.id.toUpperCase() === id) ?? null
  const unit = units.find((u) => u.id.toUpperCase() === id || u.id === chosen?.unit) ?? null
  const shown = chosen ? [chosen] : places.filter((p) => p.unit === unit?.id)
  const drawers: Record<string, number> = {}
  for (const { unit: of } of places) drawers[of] = (drawers[of] ?? 0) + 1
  return { units, drawers, unit, chosen, places: contentOf(db, shown) }
}

function contentOf(db: Db, places: readonly Place[]): PlaceContent[] {
  if (!places.length) return []
  const ids = places.map((p) => p.id)
  const lying = listLyingIn(db, ids)
  const free = listFreeHolders(db, ids)
  const names = namesOf(db, [...lying.map((l) => l.component), ...free.flatMap((h) => h.component ?? [])])
  const tools = listAssemblies(db)
  return places.map((place) => ({
    place,
    parts: lying
      .filter((l) => l.place === place.id)
      .map(({ component, count }) => ({ component, name: names.get(component) ?? component, count })),
    standing: [
      ...tools.filter((a) => a.place === place.id).map((a) => ({ serial: a.serial, text: `T${a.t ?? '?'} ${a.name}` })),
      ...free
        .filter((h) => h.place === place.id)
        .map((h) => ({ serial: h.serial, text: (h.component && names.get(h.component)) || h.coupling })),
    ],
  }))
}

const overlaps = (a: StoreUnit, b: StoreUnit) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h

/**
 * Puts a piece of furniture on the plan, or moves it.
 * @param seen where it stood when it was moved; null for a new one
 */
export function placeUnit(
  work: Work,
  unit: StoreUnit,
  drawers: number,
  taper: Coupling | null,
  seen?: Pick<StoreUnit, 'x' | 'y'> | null,
): Result<{ id: string }, Refusal> {
  if (!/^[A-Za-z0-9][A-Za-z0-9-]{0,15}$/.test(unit.id)) return fail({ code: 'BAD_UNIT_ID' })
  if (unit.x < 0 || unit.y < 0 || unit.x + unit.w > FLOOR.width || unit.y + unit.h > FLOOR.height)
    return fail({ code: 'OFF_THE_PLAN', unit: unit.id })
  const inTheWay = listUnits(work.db).find((u) => u.id !== unit.id && overlaps(u, unit))
  if (inTheWay) return fail({ code: 'IN_THE_WAY', of: inTheWay.name })
  if (taper !== null && !readCouplings(work.db).has(taper)) return fail({ code: 'UNKNOWN_TAPER', taper })
  const before = listUnits(work.db).find((u) => u.id === unit.id)
  if (seen !== undefined && (seen?.x !== before?.x || seen?.y !== before?.y))
    return fail({ code: 'CHANGED', what: 'unit', unit: before?.name ?? unit.name })
  const slots = holdsTools(unit)
  const { name } = unit
  const entry = before
    ? ({ code: 'UNIT_MOVED', unit: name } as const)
    : ({ code: 'UNIT_ADDED', unit: name, places: drawers, slots } as const)
  return write(work, { entry, before, after: unit }, (tx) => {
    putUnit(tx.db, unit)
    const known = listPlaces(tx.db).filter((p) => p.unit === unit.id)
    for (let i = known.length + 1; i <= drawers; i++)
      putPlace(tx.db, {
        id: `${unit.id}-${i}`,
        unit: unit.id,
        name: slots ? `slot ${i}` : `drawer ${i}`,
        row: i,
        taper: slots ? taper : null,
      })
    return { id: unit.id }
  })
}
