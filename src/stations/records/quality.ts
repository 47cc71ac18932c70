import type { FeatureKey, FeatureResult } from '@/core/judge'
import { capability, histogram, limitFor } from '@/core/stats'
import type { Db } from '@/db/connection'
import { listDefinitions } from '@/db/library/read'
import { listMeasuredTools, type MeasuredTool } from '@/db/measurement/read'
import { listPersonRows } from '@/db/person/read'
import { machineNames, partName } from '../names'
import type { QualityAsked, QualityGroup, QualityView } from './contract'

/** So many tools are looked at, the newest first. */
const MOST = 10_000
const DAY_MS = 86_400_000

type Limits = NonNullable<FeatureResult['limits']>
interface Reading {
  readonly value: number
  readonly limits: Limits
}

/** By what tools are put together, and what that is called. */
function keyOf(db: Db, by: QualityAsked['by']): (tool: MeasuredTool) => readonly [key: string, name: string] | null {
  const definitions = new Map(listDefinitions(db).map((d) => [d.id, d]))
  const machines = machineNames(db)
  const people = new Map(listPersonRows(db).map((p) => [p.id, p.name]))
  switch (by) {
    case 'tool':
      return ({ definitionId }) => {
        const d = definitionId === null ? undefined : definitions.get(definitionId)
        return d ? [d.id, `T${d.t} ${d.name}`] : null
      }
    case 'class':
      return ({ definitionId }) => {
        const d = definitionId === null ? undefined : definitions.get(definitionId)
        return d ? [d.toolClass, d.toolClass] : null
      }
    case 'machine':
      return ({ machine }) => (machine === null ? null : [machine, machines.get(machine) ?? machine])
    case 'person':
      return ({ personId }) => [personId, people.get(personId) ?? personId]
    case 'holder':
      return ({ holder }) => (holder === null ? null : [holder, partName(db, holder)])
  }
}

const sameLimits = (all: readonly Reading[]) =>
  all.every(({ limits }) => limits.min === all[0].limits.min && limits.max === all[0].limits.max)

/** Tools of several limits are told apart by how much of their own tolerance they use: ±1 is its border, 0 its middle. */
function shareOf({ value, limits: { min, max } }: Reading): number {
  return min === null ? value / max : (value - (min + max) / 2) / ((max - min) / 2)
}

function groupOf(key: string, name: string, readings: readonly Reading[]): QualityGroup {
  const mm = sameLimits(readings)
  const values = mm ? readings.map((r) => r.value) : readings.map(shareOf)
  const { min, max } = readings[0].limits
  const limits = mm ? { min, max } : { min: min === null ? null : -1, max: 1 }
  const found = capability(values, limits)
  return {
    ...{ key, name, count: readings.length, limits, in: mm ? 'mm' : 'share' },
    found,
    verdict: found ? limitFor(found, limits) : { type: 'too few' },
    bins: histogram(values),
  }
}

/** How set values scatter against what was wanted, over a time, by what is asked; the worst first. */
export function readQuality(db: Db, now: string, { by, feature, days }: QualityAsked): QualityView {
  const from = new Date(Date.parse(now) - days * DAY_MS).toISOString()
  const tools = listMeasuredTools(db, { from, before: new Date(Date.parse(now) + 1000).toISOString(), limit: MOST })
  const key = keyOf(db, by)
  const groups = new Map<string, { readonly name: string; readonly readings: Reading[] }>()
  const features = new Set<FeatureKey>()
  for (const tool of tools) {
    const own = key(tool)
    for (const f of tool.features) {
      if (f.step !== null || f.limits === null || f.carried !== undefined) continue
      features.add(f.key)
      if (f.key !== feature || !own) continue
      const group = groups.get(own[0]) ?? { name: own[1], readings: [] }
      group.readings.push({ value: f.value, limits: f.limits })
      groups.set(own[0], group)
    }
  }
  const all = [...groups].map(([id, { name, readings }]) => groupOf(id, name, readings))
  const ppk = ({ found }: QualityGroup) => found?.ppk.value ?? Infinity
  return {
    asked: { by, feature, days },
    features: [...features],
    tools: tools.length,
    groups: all.sort((a, b) => ppk(a) - ppk(b) || b.count - a.count),
  }
}
