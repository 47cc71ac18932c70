import { differencesOf, type Difference } from '@/core/load'
import type { Assembly, Machine } from '@/core/tool'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { lastHandover } from '@/db/handover/read'
import type { ControlAnswer } from './ask-control'

/** Where record and control tell otherwise of the tools in a machine. @param of one of them; left out: all */
export function readDifferences(
  db: Db,
  machine: Machine,
  { table, state }: ControlAnswer,
  of: readonly Assembly[] = findAssemblies(db, { machine: machine.key, state: 'loaded' }),
): readonly Difference[] {
  const tools = of.flatMap(({ serial, t, sister, pocket }) =>
    t === null ? [] : [{ serial, t, sister, pocket, values: lastHandover(db, serial)?.values ?? null }],
  )
  return differencesOf(machine, tools, table, state)
}
