/** The way to another program that is told of what happens here. */
import type { Result } from '@/core/units'

export interface Told {
  readonly url: string
  readonly secret: string
  /** Number of this message: the same one when it is sent again. */
  readonly delivery: number
  readonly event: string
  /** ISO 8601, when it is sent. */
  readonly time: string
  /** JSON */
  readonly body: string
}

export type TellError =
  | { readonly code: 'NOT_REACHED'; readonly detail: string }
  /** It answered with another status than 2xx. */
  | { readonly code: 'NOT_TAKEN'; readonly status: number }

export interface Teller {
  tell(told: Told): Promise<Result<{ readonly status: number }, TellError>>
}
