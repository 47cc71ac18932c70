import type { NettedTool } from '@/core/plan'
import type { Shop } from '@/runtime'
import { getComponent } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import type { Names } from '@/ui/kit/standing'

/** Names of the machines, and of the parts that these tools' standings speak of. */
export function namesFor(db: Shop['db'], tools: readonly NettedTool[], job?: string): Names {
  const parts: Record<string, string> = {}
  for (const { standing } of tools) {
    const named = standing.type === 'to-build' ? standing.parts : standing.type === 'cannot-build' ? standing.missing : []
    for (const { component } of named) parts[component] ??= getComponent(db, component)?.name ?? component
  }
  return { parts, machines: Object.fromEntries(listMachines(db).map((m) => [m.key, m.name])), job }
}
