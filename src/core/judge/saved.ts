/** A measurement of record: from pictures that the server measured itself, or from figures of another bench. */
import type { Verdict } from './judge'
import type { ToolResult } from './result'
import type { EdgeMeasurement, Summary } from '../sets'

/** Where the figures of a measurement came from: this bench's pictures, those of a terminal's camera, typed twice, or another bench's serial line. */
export type MeasurementSource = 'pictures' | 'camera' | 'typed' | 'serial line'

export interface SavedMeasurement {
  readonly id: number
  readonly assemblyId: number
  readonly serial: string
  readonly at: string
  readonly personId: string
  readonly summary: Summary
  readonly edges: readonly EdgeMeasurement[]
  /** Further steps of the program that it was measured by. */
  readonly steps: readonly { readonly name: string; readonly summary: Summary; readonly edges: readonly EdgeMeasurement[] }[]
  /** Version of the definition's measuring program; null where it was measured freely. */
  readonly program: number | null
  readonly result: ToolResult
  readonly verdict: Verdict | null
  /** The pictures, below the data folder's `evidence`; empty where there are none. */
  readonly evidence: string
  readonly source: MeasurementSource
  readonly reason: string | null
  /** Minutes that the tool had cut then; left out in measurements of before it was noted. */
  readonly cutMin?: number
}
