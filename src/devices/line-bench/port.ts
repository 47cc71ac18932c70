/** A measuring bench without a camera: what stands on its readouts comes over a serial line. */
import type { Result } from '@/core/units'

export type LineError =
  /** No bench answers at that address, or not in time. */
  | { readonly code: 'UNREACHABLE'; readonly detail: string }
  /** What came is not what the bench sends: a line was cut or changed on the way. */
  | { readonly code: 'GARBLED'; readonly line: string }
  | { readonly code: 'NOTHING' }

export interface LineBench {
  /** Asks for the figures that stand on the readouts now; the text as it came, without the closing line. */
  read(): Promise<Result<readonly string[], LineError>>
}
