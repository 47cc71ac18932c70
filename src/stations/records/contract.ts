import type { Wear } from '@/core/judge'
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
