/** Planning ahead: what is refused of it. */
import type { BadMagazine } from '@/core/plan'

export interface PlanRefusals {
  /** A magazine that cannot be planned. */
  BAD_MAGAZINE: BadMagazine
}
