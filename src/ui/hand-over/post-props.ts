import type { PostCheck } from '@/core/handover'
import type { PostOptions } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'

export interface Trial {
  readonly text: string
  readonly check: PostCheck
  /** Why it may not be sent; null when the control gets what was measured and nothing else. */
  readonly wrong: string | null
}

export interface PostEditorProps {
  readonly machine: {
    readonly key: string
    readonly name: string
    readonly post: string
    readonly unit: LengthUnit
    readonly lathe: boolean
    readonly version: number
  }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  readonly posts: readonly string[]
  readonly post: string
  /** Came with Boulder: it is kept under another name when it is changed. */
  readonly shipped: boolean
  readonly template: string
  readonly options: PostOptions
  readonly tools: readonly { readonly serial: string; readonly name: string }[]
  readonly lead: boolean
  readonly tryTemplate: Ask<typeof handOver.tryTemplate>
  readonly keep: Ask<typeof handOver.keepPost>
}
