/** A measurement of record: from pictures that the server measured itself. */
import type { Verdict } from './judge'
import type { ToolResult } from './result'
import type { EdgeMeasurement, Summary } from './measure-set'

export interface SavedMeasurement {
  readonly id: number
  readonly assemblyId: number
  readonly serial: string
  readonly at: string
  readonly personId: string
  readonly summary: Summary
  readonly edges: readonly EdgeMeasurement[]
  readonly result: ToolResult
  readonly verdict: Verdict | null
  /** Folder of the pictures, below the data folder's `evidence`. */
  readonly evidence: string
  readonly reason: string | null
}
