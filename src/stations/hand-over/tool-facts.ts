import type { ToolFacts } from '@/core/handover'
import { loadLimitsOf, numberOf, type Assembly, type Definition, type Machine } from '@/core/tool'
import { roundTo } from '@/core/units'
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'

/** What a machine may want to know of a tool besides its offsets; what nobody knows is left out. */
export function toolFacts(
  db: Db,
  { parts, lifeUsedMin }: Pick<Assembly, 'parts' | 'lifeUsedMin'>,
  definition: Definition | null,
  machine: Machine | null,
): ToolFacts {
  const known = parts.flatMap((part) => {
    const component = getComponent(db, part.component)
    return component ? [{ count: part.count, component }] : []
  })
  const mass = known.reduce((sum, { count, component }) => sum + count * (numberOf(component, 'WT') ?? NaN), 0)
  const massKg = known.length && Number.isFinite(mass) ? roundTo(mass, 3) : undefined
  const speeds = known.flatMap(({ component }) => numberOf(component, 'RPMX') ?? [])
  return {
    massKg,
    mostRpm: speeds.length ? Math.min(...speeds) : undefined,
    edges: definition?.edges,
    toolClass: definition?.toolClass,
    lifeUsedMin,
    lifeMaxMin: definition?.lifeMin ?? undefined,
    slow: machine && massKg !== undefined ? massKg >= loadLimitsOf(machine).slowFromKg : undefined,
  }
}
