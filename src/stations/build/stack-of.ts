import type { StackPart } from '@/core/fits'
import type { Assembly } from '@/core/tool'
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'

/** The parts of a tool as the library has them. */
export function stackOf(db: Db, assembly: Pick<Assembly, 'parts'>): StackPart[] {
  return assembly.parts.flatMap(({ component, count }) => {
    const part = getComponent(db, component)
    return part ? [{ component: part, count }] : []
  })
}
