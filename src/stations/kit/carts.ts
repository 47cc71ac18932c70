import type { NettedTool } from '@/core/plan'
import { holdsTools, type Assembly, type Place, type StoreUnit, type ToolProfile } from '@/core/tool'
import { listAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { listPlaces, listUnits } from '@/db/store/read'
import { profileOfAssembly } from '../rack/rack'
import { readKit } from './kit-sheet'

export interface Slot {
  readonly place: Place
  readonly tool: Assembly | null
  readonly profile: ToolProfile | null
}

export interface CartSheet {
  readonly unit: StoreUnit
  readonly slots: readonly Slot[]
}

/** Racks and carts with what stands in their slots. */
export function readCarts(db: Db): CartSheet[] {
  const tools = listAssemblies(db)
  const places = listPlaces(db)
  return listUnits(db)
    .filter(holdsTools)
    .map((unit) => ({
      unit,
      slots: places
        .filter((p) => p.unit === unit.id)
        .map((place) => {
          const tool = tools.find((a) => a.place === place.id) ?? null
          return { place, tool, profile: tool && profileOfAssembly(db, tool) }
        }),
    }))
}

/** What is missing on a cart before it can roll for a job: wanted tools that are neither on it nor in the machine. */
export function missingFor(db: Db, jobId: string, unitId: string, now: string): NettedTool[] {
  const sheet = readKit(db, jobId, now)
  const on = new Set(
    listPlaces(db)
      .filter((p) => p.unit === unitId)
      .map((p) => p.id),
  )
  return (sheet?.tools ?? []).filter(({ standing }) => {
    if (standing.type === 'in-machine') return false
    return !(
      'assembly' in standing &&
      standing.type === 'ready' &&
      standing.assembly.place !== null &&
      on.has(standing.assembly.place)
    )
  })
}
