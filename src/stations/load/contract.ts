import type { RegisterName } from '@/core/handover'
import type { LoadFinding, StepLine } from '@/core/load'
import type { Machine } from '@/core/tool'
import type { MachineSizes } from '../hand-over/contract'
import type { Bare } from '@/core/units'

/** Why the text of a label is not taken, in the order it is looked at. */
export type LabelFault =
  | { readonly code: 'NOT_A_LABEL' | 'BAD_CRC' }
  | { readonly code: 'UNKNOWN_SERIAL'; readonly serial: string; readonly holder: true }
  | { readonly code: 'UNKNOWN_HANDOVER'; readonly what: 'number'; readonly serial: string; readonly issue: number }
  | { readonly code: 'VALUES_DIFFER'; readonly what: 'label'; readonly serial: string; readonly issue: number }
  | {
      readonly code: 'SUPERSEDED'
      readonly what: 'label'
      readonly serial: string
      readonly issue: number
      readonly why: string | null
    }

/** What the scans themselves say, before any rule. */
export type ScanSaid =
  | { readonly code: 'SCAN_MACHINE' }
  | { readonly code: 'NO_SUCH_MACHINE'; readonly machine: string }
  | { readonly code: 'MACHINE'; readonly machine: Machine }
  | { readonly code: 'SCAN_HOLDER' }
  | { readonly code: 'NO_TOOL_ON'; readonly serial: string; readonly known: boolean }
  | { readonly code: 'IN_ALREADY'; readonly serial: string; readonly machine: string; readonly pocket: number | null }
  | { readonly code: 'HOLDER'; readonly serial: string; readonly t: number | null; readonly name: string }
  | { readonly code: 'SCAN_LABEL' }
  | { readonly code: 'LABEL_REFUSED'; readonly fault: LabelFault }
  | { readonly code: 'HANDOVER_OLD'; readonly issue: number; readonly why: string | null }
  | { readonly code: 'HANDOVER'; readonly issue: number; readonly fromRecord: boolean }
  | { readonly code: 'NOTHING_RELEASED'; readonly serial: string }
  | { readonly code: 'OTHER_LABEL'; readonly belongsTo: string; readonly serial: string }
  | { readonly code: 'NOT_CURRENT'; readonly serial: string; readonly state: string }
  | { readonly code: 'BELONGS' }

export interface LoadRefusals {
  /** Machine, holder and label are not all scanned. */
  SCANS: { readonly said: ScanSaid | null }
  /** A rule of the machine. @param ask a reason is wanted, or a lead */
  RULE: { readonly finding: LoadFinding; readonly machine: Machine; readonly ask: 'reason' | 'lead' | null }
  NO_POCKET: { readonly machine: string }
  /** Somebody else claimed tool, pocket or T. */
  FIRST: { readonly who: string | null; readonly serial: string | null; readonly machine: string; readonly pocket: number }
  LOAD_NOT_BEGUN: { readonly serial: string }
  LOAD_OVER: { readonly serial: string }
  NOT_BY_HAND: Bare
  NOT_THIS_STEP: Bare
  WATCHED: { readonly step: StepLine }
  STEP_FIRST: { readonly step: StepLine }
  READS_BACK_ITSELF: { readonly machine: string }
  NO_SUCH_REGISTER: { readonly machine: string; readonly register: RegisterName }
  /** In the machine's unit. */
  TYPED_WRONG: {
    readonly register: RegisterName
    readonly shown: number
    readonly wanted: number
    readonly machine: MachineSizes
  }
  NOT_TYPED: { readonly register: RegisterName }
  LISTED_WRONG: { readonly there: number | null; readonly own: number; readonly pocket: number }
  POCKET_TAKEN: { readonly pocket: number }
  RULE_FIXED: Bare
  BAD_CRC: Bare
  NOT_A_LABEL: Bare
}
