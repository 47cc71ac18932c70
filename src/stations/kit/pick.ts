import { DONE } from '@/words/answers'
import { pickList, type Need, type NettedTool, type PickList } from '@/core/plan'
import { WITH_SERIAL, type Place, type StoreUnit } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getJob } from '@/db/job/read'
import { getComponent, namesOf } from '@/db/library/read'
import { lastPlaceOf, listLying, listMoves, listTaken, lyingOf } from '@/db/stock/read'
import { listPlaces } from '@/db/store/read'
import { bookInside, countStock, moves } from '../store/book'
import { benchOf, floorOf } from '../store/plan'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { need, write } from '../write'
import { freeOf, readNetted } from './inventory'

export interface PickSheet {
  /** Complete tools come first: they stand in a rack and only have to be put on the cart. */
  readonly complete: readonly { readonly t: number; readonly serial: string; readonly place: string; readonly stale: boolean }[]
  readonly list: PickList
  readonly names: Readonly<Record<string, string>>
  /** Fetched already, by component. */
  readonly taken: readonly { readonly component: string; readonly count: number; readonly bookings: readonly number[] }[]
  readonly units: readonly StoreUnit[]
  readonly places: readonly Place[]
  /** Free holders of the types that are to be fetched, by type: any of them will do. */
  readonly holders: Readonly<Record<string, readonly string[]>>
}

/** What a job's tools still need, less what was fetched for it. */
function needsOf(tools: readonly NettedTool[], taken: ReadonlyMap<string, number>): Need[] {
  const left = new Map(taken)
  return tools.flatMap(({ standing, wanted }) => {
    if (standing.type !== 'to-build') return []
    return standing.parts.flatMap(({ role, component, count }): Need[] => {
      const have = WITH_SERIAL.includes(role) ? 0 : Math.min(count, left.get(component) ?? 0)
      left.set(component, (left.get(component) ?? 0) - have)
      return count > have ? [{ component, count: count - have, purpose: `T${wanted.t}` }] : []
    })
  })
}

const completeOf = (tools: readonly NettedTool[]): PickSheet['complete'] =>
  tools.flatMap(({ standing, wanted }) => {
    if (standing.type !== 'ready' && standing.type !== 'stale') return []
    const { serial, place } = standing.assembly
    return place === null ? [] : [{ t: wanted.t, serial, place, stale: standing.type === 'stale' }]
  })

/** The pick list of a job in walking order, with what was fetched. */
export function readPick(db: Db, jobId: string, now: string): PickSheet | null {
  const job = getJob(db, jobId)
  if (!job) return null
  const fetched = listTaken(db, job.id)
  const tools = readNetted(db, now).tools.get(job.id) ?? []
  const needs = needsOf(tools, new Map(fetched.map((t) => [t.component, t.count])))
  const asked = needs.map((n) => n.component)
  const free = freeOf(db, asked, now)
  const lying = lyingMap(db, asked, free)
  const places = listPlaces(db)
  const list = pickList(needs, lying, places, floorOf(db), benchOf(db))
  const holders: Record<string, string[]> = {}
  for (const { component } of needs) {
    const serials = free.filter((h) => h.component === component).map((h) => h.serial)
    if (serials.length) holders[component] = serials
  }
  return {
    complete: completeOf(tools),
    list,
    names: Object.fromEntries(
      namesOf(
        db,
        [...needs, ...fetched].map((n) => n.component),
      ),
    ),
    taken: fetched.map(({ component, count }) => ({
      component,
      count,
      bookings: listMoves(db, { component, job: job.id })
        .filter((m) => m.name === 'taken' && m.counteredBy === null && m.counters === null)
        .map((m) => m.id),
    })),
    units: floorOf(db).units,
    places,
    holders,
  }
}

function lyingMap(
  db: Db,
  components: readonly string[],
  free: readonly { readonly component: string | null; readonly place: string | null }[],
) {
  const lying = new Map<string, { place: string; count: number }[]>()
  const add = (component: string, place: string, count: number) => {
    const list = lying.get(component) ?? []
    const there = list.find((l) => l.place === place)
    if (there) there.count += count
    else list.push({ place, count })
    lying.set(component, list)
  }
  for (const { component, place, count } of listLying(db, components)) if (place !== null) add(component, place, count)
  for (const { component, place } of free) if (component !== null && place !== null) add(component, place, 1)
  return lying
}

/** Takes pieces of a part for a job, from a place; of two people who take the last one, one is told. */
export function takePart(
  work: Work,
  given: { readonly job: string; readonly component: string; readonly count: number; readonly place: string | null },
): Result<{ text: string }, Refusal> {
  const job = getJob(work.db, given.job)
  const part = getComponent(work.db, given.component)
  if (!job || job.state !== 'open') return fail({ code: 'UNKNOWN_JOB', job: given.job, open: true })
  if (!part) return fail({ code: 'UNKNOWN_PART', part: given.component })
  const { count, place } = given
  const entry = { code: 'TAKEN', count, part: part.name, place, job: job.id } as const
  return write(work, { entry, machine: job.machine, after: { component: part.id } }, (tx) => {
    need(bookInside(tx, moves.take(part.id, count, place, job.id)))
    return { text: `${count} × ${part.name} taken for ${job.id}` }
  })
}

/** Puts fetched pieces back to where they lay. */
export function putBack(
  work: Work,
  given: { readonly job: string; readonly component: string; readonly count: number },
): Result<{ text: string }, Refusal> {
  const part = getComponent(work.db, given.component)
  if (!part) return fail({ code: 'UNKNOWN_PART', part: given.component })
  const { count, job } = given
  const place = lastPlaceOf(work.db, part.id)
  const entry = { code: 'PUT_BACK', count, part: part.name, place } as const
  return write(work, { entry, after: { component: part.id } }, (tx) => {
    need(bookInside(tx, moves.giveBack(part.id, count, place, job)))
    return { text: DONE.putBack(count, part.name, place) }
  })
}

/** The drawer holds fewer than it should: what is there is counted, and the list goes on with another place. */
export function shortPick(
  work: Work,
  given: { readonly component: string; readonly place: string; readonly found: number },
): Result<{ text: string }, Refusal> {
  const name = getComponent(work.db, given.component)?.name ?? given.component
  const before = lyingOf(work.db, given.component).find((l) => l.place === given.place)?.count ?? 0
  if (given.found >= before) return fail({ code: 'NOT_SHORT', place: given.place, should: before, found: given.found })
  const done = countStock(work, given)
  return done.ok ? ok({ text: DONE.counted(given.place, given.found, name, before) }) : done
}
