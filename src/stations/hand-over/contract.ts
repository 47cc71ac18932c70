import type { CheckRow, HandoverRefusal, OtherChange, TagFault } from '@/core/handover'
import type { Machine } from '@/core/tool'
import type { PrinterError } from '@/devices/printer/port'
import type { TagDeviceError } from '@/devices/tag/port'
import type { Bare } from '@/core/units'

/** What of a machine the sentences about its table need. */
export type MachineSizes = Pick<Machine, 'name' | 'unit' | 'decimals'>
export const sizesOf = ({ name, unit, decimals }: Machine): MachineSizes => ({ name, unit, decimals })

export type TableRefusal =
  /** On the scratch table: the control would hold another value than was measured. */
  | { readonly code: 'POST_DIFFERS'; readonly row: CheckRow }
  /** On the scratch table: the file writes registers that belong to other tools. */
  | { readonly code: 'POST_WRITES_OTHERS'; readonly others: readonly OtherChange[] }
  /** The live table does not hold what was sent. */
  | { readonly code: 'READ_BACK'; readonly row: CheckRow }
  /** On the live table registers changed that nobody meant; they are left as they are. */
  | { readonly code: 'OTHERS_CHANGED'; readonly others: readonly OtherChange[] }

export interface HandoverRefusals {
  HANDOVER: { readonly refusal: HandoverRefusal }
  TABLE: { readonly refusal: TableRefusal; readonly machine: MachineSizes }
  NOT_COMPLETE: Bare
  CONCESSION_OPEN: Bare
  CONCESSION_JOB: { readonly job: string }
  CONCESSION_PAST: Bare
  /** Released for another machine, or a label that shows other values. */
  VALUES_DIFFER:
    | { readonly what: 'machine'; readonly serial: string; readonly issue: number; readonly for: string; readonly not: string }
    | { readonly what: 'label'; readonly serial: string; readonly issue: number }
  /** Out of date. @param why it was voided */
  SUPERSEDED:
    | {
        readonly what: 'hand-over'
        readonly serial: string
        readonly issue: number
        readonly why: string | null
        readonly nothing: 'sent' | 'printed'
      }
    | { readonly what: 'label'; readonly serial: string; readonly issue: number; readonly why: string | null }
  IN_BY_THIS_HANDOVER: { readonly serial: string }
  /** The machine's offsets are typed. */
  NO_FILES: { readonly machine: string }
  FILE_THERE: { readonly file: string; readonly machine: string }
  /** @param serial the second tool with the same T, where it is known */
  T_TWICE: { readonly t: number; readonly serial: string | null }
  LABEL_TOO_SMALL: { readonly leastMm: { readonly widthMm: number; readonly heightMm: number } }
  LINE_CUT: { readonly line: number }
  UNKNOWN_POST: { readonly post: string }
  STANDARD_POST: { readonly post: string }
  NO_TOOL_TO_TRY: Bare
  TRIED_WITHOUT_REGISTER: Bare
  NO_TOOL: { readonly serial: string }
  NOT_MEASURED: { readonly serial: string }
  PRINTER: { readonly error: PrinterError; readonly printed: number; readonly of: number }
  TAG_READER: { readonly error: TagDeviceError }
  TAG: { readonly fault: TagFault }
  NO_TAG: Bare
  OTHER_TAG: { readonly is: string; readonly serial: string }
  TAG_READ_BACK: Bare
}
