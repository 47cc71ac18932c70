import { SPINDLE } from '@/core/tool'

/** Where a tool stands in its machine, in words. */
export const pocketText = (pocket: number | null): string =>
  pocket === SPINDLE ? 'in the spindle' : pocket === null ? 'no pocket' : `pocket ${pocket}`
