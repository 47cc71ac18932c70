import type { OpenTool } from '@/workers/bench.worker'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'

export interface ProgramProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly tool: OpenTool
  /** The version in force; 0 where tools of this definition have no routine. */
  readonly base: number
  /** Why nothing may be measured now; null when it may. */
  readonly held: string | null
  readonly keep: Ask<typeof measure.keepProgram>
}
