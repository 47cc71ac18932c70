import type { Assembly } from '@/core/tool'

/** Hot until the model says otherwise; the unit's own light may say longer. */
export const isHot = ({ heat }: Pick<Assembly, 'heat'>, now: string): boolean => heat !== null && heat.touchAt > now
