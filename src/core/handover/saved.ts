import type { Disturbance } from '../tool'
import type { PostCheck } from './check-table'
import type { HandoverValues } from './values'

/** Why a hand-over stopped being current. */
export type VoidReason =
  | { readonly code: 'REPLACED'; readonly issue: number }
  | { readonly code: 'TAKEN_BACK'; readonly reason: string }
  | { readonly code: 'MEASURED_AGAIN' }
  /** What balances it was changed. */
  | { readonly code: 'BALANCED_AGAIN' }
  | { readonly code: 'TAKEN_APART' }
  | { readonly code: 'TAKEN_OUT'; readonly machine: string }
  | { readonly code: 'DISTURBED'; readonly what: Disturbance }
  /** As it was written before there were codes. */
  | { readonly code: 'SAID'; readonly text: string }

/** Why a hand-over that stands may not be loaded until its tool was measured again. */
export type Held =
  | { readonly code: 'DRIFTED'; readonly movedMm: number; readonly foundAt: string }
  | { readonly code: 'SAID'; readonly text: string }

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
  readonly voidReason: VoidReason | null
  /** null when nothing holds it. */
  readonly held: Held | null
}
