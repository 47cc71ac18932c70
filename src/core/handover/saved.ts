import type { PostCheck } from './check-table'
import type { HandoverValues } from './values'

/** A numbered hand-over: its values are frozen. */
export interface Handover {
  readonly id: number
  readonly assemblyId: number
  readonly measurementId: number
  readonly values: HandoverValues
  readonly label: string
  readonly postName: string
  readonly postFile: string
  readonly postText: string
  readonly check: PostCheck
  readonly releasedAt: string
  readonly personId: string
  /** When and why it stopped being current; null while it is. */
  readonly voidedAt: string | null
  readonly voidReason: string | null
  /** Why it may not be loaded until the tool was measured again; null when nothing holds it. */
  readonly held: string | null
}
