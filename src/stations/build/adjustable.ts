import type { Assembly } from '@/core/tool'
import type { Db } from '@/db/connection'
import { getComponent } from '@/db/library/read'

/** Whether a tool is set by a screw of its own: that moves mass. */
export const isAdjustable = (db: Db, { parts }: Pick<Assembly, 'parts'>): boolean =>
  parts.some(({ role, component }) => role === 'cutter' && getComponent(db, component)?.kind === 'boring-head')
