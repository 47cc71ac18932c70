import type { CauseKnown } from '@/core/causes'
import type { FeatureKey, LimitSet, ToolMade } from '@/core/judge'
import type { Definition, Heat } from '@/core/tool'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import type * as standIn from '@/stations/stand-in/contract'
import type { OpenTool } from '@/workers/bench.worker'

export interface MeasureProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly forMachine: string | null
  readonly due: { readonly text: string; readonly late: boolean }
  readonly tool: OpenTool
  readonly limits: LimitSet
  /** Inserts that are set back on purpose. */
  readonly stepped?: Definition['stepped']
  /** The measuring program in force; null for a tool without a definition. */
  readonly program: { readonly version: number | null } | null
  /** The job that is measured tool after tool, and what comes next in it. */
  readonly kit: { readonly job: string; readonly next: NextTool | null } | null
  readonly made: ToolMade
  /** What is known of it besides its pictures, to say what is wrong; null where that cannot be said. */
  readonly known: CauseKnown | null
  readonly guardSigmas: number
  readonly heat: Heat | null
  /** The tool room's time when the sheet was opened. */
  readonly now: string
  readonly before: Readonly<Partial<Record<FeatureKey, number | null>>> | null
  /** The check of the bench whose zero the pictures are placed with. */
  readonly checkId: number | null
  /** Why nothing may be measured now. */
  readonly held: { readonly text: string; readonly adapter: boolean } | null
  /** A lead's reason for going on without the check. */
  readonly overruled: string | null
  /** Whether whoever works here is a lead. */
  readonly lead: boolean
  readonly overrule: Ask<typeof measure.overruleCheck>
  readonly turnScrew: Ask<typeof standIn.turnScrew>
  readonly wipe: Ask<typeof standIn.wipe>
}

interface NextTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
}
