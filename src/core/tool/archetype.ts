import type { Tolerance } from './definition'

/** What another program says of one tool, as an MTConnect archetype carries it; the rest of a definition is asked for. */
export interface Archetype {
  readonly toolId: string
  readonly name: string
  readonly t: number | null
  readonly edges: number
  readonly LF: Tolerance | null
  readonly DC: Tolerance | null
  readonly RE: Tolerance | null
  readonly programRpm: number | null
  readonly lifeMin: number | null
  readonly coupling: string | null
}
