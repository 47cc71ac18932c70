/** Devices that a shop has not connected: each question is answered so, and nothing is pretended. */
import { fail } from '@/core/units'
import type { ShrinkUnit } from './shrink/port'
import type { BalancingSpindle } from './spindle/port'
import type { TagStation } from './tag/port'

const no = () => Promise.resolve(fail({ code: 'NOT_CONNECTED' } as const))

export const absentShrink: ShrinkUnit = { state: no, heat: no, cool: no, take: no }
export const absentSpindle: BalancingSpindle = { state: no, start: no, record: no, stop: no }
export const absentTag: TagStation = { read: no, write: no }
