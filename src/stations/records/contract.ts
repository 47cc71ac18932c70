import type { SpecLimits } from '@/core/features'
import type { HandoverValues } from '@/core/handover'
import type { FeatureKey, Wear, ZeroCheck } from '@/core/judge'
import type { ThereThen } from '@/core/load'
import type { Bin, Capability, LimitVerdict, ReturnsOf } from '@/core/stats'
import type { Learned } from '../plan/contract'

/** What somebody has just done, as other terminals tell it. */
export interface News {
  readonly who: string
  readonly what: string
  readonly serial: string | null
  readonly t: number | null
  readonly machine: string | null
}

/** A tool that was measured again while it cuts. */
export interface WornTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
  /** Name of the machine it is in or for. */
  readonly machine: string | null
  readonly cutMin: number
  readonly allowedMm: number
  /** The one nearest to what is allowed comes first; at least one. */
  readonly wears: readonly Wear[]
}

/** By what tools are put together. */
export const QUALITY_BY = ['tool', 'class', 'machine', 'person', 'holder'] as const

export interface QualityAsked {
  readonly by: (typeof QUALITY_BY)[number]
  readonly feature: FeatureKey
  readonly days: number
}

export interface QualityGroup {
  readonly key: string
  readonly name: string
  readonly count: number
  /** Of values in mm (degrees for an angle) where all have the same limits; else as a share of each tool's own tolerance. */
  readonly in: 'mm' | 'share'
  readonly limits: SpecLimits
  /** null with fewer than two that differ. */
  readonly found: Capability | null
  readonly verdict: LimitVerdict
  readonly bins: readonly Bin[]
}

export interface QualityView {
  readonly asked: QualityAsked
  /** What was judged at all in that time. */
  readonly features: readonly FeatureKey[]
  readonly tools: number
  /** The worst first. */
  readonly groups: readonly QualityGroup[]
}

export interface ThatDayTool extends ThereThen {
  /** What it was handed over with; null where that is not kept. */
  readonly values: HandoverValues | null
}

/** Minutes that a machine stood for a tool. */
export interface StopMinutes {
  readonly method: string
  readonly count: number
  /** The median. */
  readonly minutes: number
}

export interface ReturnsView {
  readonly days: number
  /** Whether there were more than are counted here: the newest count. */
  readonly more: boolean
  readonly tools: readonly ReturnsOf[]
}

/** How far tools of one holder type and shank end below the stop that was set hot, mm. */
export interface LearnedStop {
  readonly holder: string
  readonly name: string
  readonly shankMm: number
  readonly count: number
  readonly shrinksMm: number
  /** Standard deviation; null of one. */
  readonly spreadMm: number | null
  /** ISO 8601 */
  readonly last: string
}

export interface LearnedView {
  readonly minutes: readonly Learned[]
  readonly stops: readonly LearnedStop[]
  /** The oldest first. */
  readonly checks: readonly ZeroCheck[]
}
