import type { NettedTool } from '@/core/plan'
import { holdsTools } from '@/core/tool'
import type { Db } from '@/db/connection'
import { listPlaces, listUnits } from '@/db/store/read'
import { listMachines } from '@/db/machine/read'
import { readNetted } from '../kit/inventory'
import type { BoardCart, BoardMachine } from './contract'

/** So many jobs of each machine: this one, the next, the third. */
const SHOWN = 3

/** The cart that most of a job's tools are on already, with how many; null where none is on one. */
function cartOf(tools: readonly NettedTool[], unitOf: ReadonlyMap<string, BoardCart>): BoardCart | null {
  const on = new Map<string, BoardCart>()
  for (const { standing } of tools) {
    const cart = standing.type === 'ready' && standing.assembly.place !== null && unitOf.get(standing.assembly.place)
    if (cart) on.set(cart.id, { ...cart, tools: (on.get(cart.id)?.tools ?? 0) + 1 })
  }
  return [...on.values()].sort((a, b) => b.tools - a.tools).at(0) ?? null
}

/** Each machine's next jobs: what is ready, and what is missing. */
export function readBoard(db: Db, now: string): readonly BoardMachine[] {
  const { jobs, tools } = readNetted(db, now)
  const carts = new Map(listUnits(db).flatMap((unit) => (holdsTools(unit) && unit.kind === 'cart' ? [[unit.id, unit.name]] : [])))
  const cartAt = new Map(
    listPlaces(db).flatMap(({ id, unit }) => {
      const name = carts.get(unit)
      return name === undefined ? [] : [[id, { id: unit, name, tools: 0 }]]
    }),
  )
  return listMachines(db).map(({ key, name }) => ({
    key,
    name,
    jobs: jobs
      .filter((job) => job.machine === key)
      .sort((a, b) => (a.dueAt < b.dueAt ? -1 : 1))
      .slice(0, SHOWN)
      .map((job) => {
        const all = (tools.get(job.id) ?? []).filter(({ standing }) => standing.type !== 'left-out')
        const missing = all.filter(({ standing: { type } }) => type !== 'in-machine' && type !== 'ready')
        return {
          ...{ id: job.id, name: job.name, dueAt: job.dueAt, tools: all.length, ready: all.length - missing.length },
          cart: cartOf(all, cartAt),
          missing: missing.map(({ standing, replaces, wanted, definition }) => ({
            ...{ standing, replaces, t: wanted.t },
            name: definition?.name ?? wanted.name ?? '',
          })),
        }
      }),
  }))
}
