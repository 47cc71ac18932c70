import { tableOf, type Assembly, type Machine } from '@/core/tool'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'

/**
 * Which tool of its T this one is in a machine: the lowest number that no other one there, or on its way there, has.
 * A machine that keeps no sisters knows only the first.
 */
export function sisterOf(
  db: Db,
  machine: Machine,
  t: number,
  assembly: Pick<Assembly, 'id' | 'state' | 'machine' | 'sister'>,
): number {
  if (tableOf(machine).sisters.type === 'none') return 0
  if (assembly.state === 'released' && assembly.machine === machine.key) return assembly.sister
  const taken = new Set(
    findAssemblies(db, { t, machine: machine.key })
      .filter((a) => a.id !== assembly.id && (a.state === 'released' || a.state === 'loaded'))
      .map((a) => a.sister),
  )
  let sister = 0
  while (taken.has(sister)) sister++
  return sister
}
