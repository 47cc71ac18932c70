import type { Machine } from '@/core/tool'
import type { Bare } from '@/core/units'

export interface KitRefusals {
  TOO_LARGE: { readonly program: string }
  NOT_A_PROGRAM: { readonly program: string }
  /** Written for another kind of machine. */
  OTHER_KIND: { readonly program: string; readonly kind: Machine['kind']; readonly machine: string; readonly is: Machine['kind'] }
  NOT_A_LIST: { readonly list: string; readonly detail: string }
  START_PAST: Bare
  NO_TOOLS: Bare
  JOB_EXISTS: { readonly job: string }
  JOB_IS_OPEN: { readonly job: string }
  UNKNOWN_DEFINITION: { readonly definition: string }
  NOT_FOR_MACHINE: { readonly definition: string; readonly machine: string }
  /** Nobody knows the machine and T of the tool on it. */
  NO_T: { readonly serial: string }
  RUSHED_ALREADY: { readonly serial: string; readonly t: number }
  NOT_RUSHED: { readonly job: string }
  NOT_SHORT: { readonly place: string; readonly should: number; readonly found: number }
  OTHER_MACHINE: { readonly serial: string; readonly machine: string | null; readonly job: string; readonly jobMachine: string }
  /** It is in its machine and serves every job there. */
  SERVES_IN_MACHINE: { readonly serial: string; readonly machine: string | null }
  RESERVED: { readonly serial: string; readonly job: string }
  NOTE_EMPTY: Bare
}
