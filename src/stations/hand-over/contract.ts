import { z } from 'zod'
import type { CheckRow, HandoverRefusal, OtherChange, PostCheck, TagFault, VoidReason } from '@/core/handover'
import { contract, fault, Ids, MachineKey, OneSerial, Serial, Why, Version } from '../contract'
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
  /** The control told two different things of its table within a moment; `old` is what it told first. */
  | { readonly code: 'UNSTEADY'; readonly changes: readonly OtherChange[] }

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
        readonly why: VoidReason | null
        readonly nothing: 'sent' | 'printed'
      }
    | { readonly what: 'label'; readonly serial: string; readonly issue: number; readonly why: VoidReason | null }
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

export const releaseHandover = contract<{ id: number; issue: number }>()(
  z.object({
    serial: Serial,
    scanned: Serial,
    machine: MachineKey.optional(),
    t: z.number().int().min(1).max(99999).optional(),
    pocket: z.number().int().min(1).max(999).optional(),
    tip: z.number().int().min(1).max(9).optional(),
    reason: z.string().max(400).optional(),
    concession: z
      .object({ job: z.string().max(60).nullable(), until: z.iso.date({ error: fault('DAY') }).nullable() })
      .optional(),
  }),
)
export const voidHandover = contract<{ readonly issue: number }>()(z.object({ serial: Serial, reason: Why }))
export const dropPost = contract<{ readonly file: string }>()(z.object({ ids: Ids, over: z.boolean() }))
export const printLabels = contract<{ readonly printed: number; readonly where: string }>()(z.object({ ids: Ids }))
export const writeTag = contract<{ readonly sequence: number; readonly repaired: boolean }>()(OneSerial)

const Carrier = z.string().regex(/^[A-Za-z0-9+/]{4,4000}={0,2}$/)
/** The bytes that a chip at a tablet is to have; null: it holds nothing of ours. */
export const prepareNfc = contract<{ readonly bytes: string }>()(z.object({ serial: Serial, bytes: Carrier.nullable() }))
/** What was read back from it. */
export const noteNfc = contract<{ readonly sequence: number; readonly repaired: boolean }>()(
  z.object({ serial: Serial, bytes: Carrier }),
)

/** How a machine's table is filled. */
const Options = z.object({
  sizeRegister: z.enum(['radius', 'diameter']),
  decimals: z.number().int().min(1).max(6),
  lengthFrom: z.discriminatedUnion('type', [
    z.object({ type: z.literal('gauge line') }),
    z.object({ type: z.literal('master'), lengthMm: z.number().min(0).max(1000) }),
  ]),
  numberFrom: z.enum(['T', 'pocket', 'table']),
  numbers: z.record(z.string().regex(/^\d{1,5}$/), z.number().int().min(1).max(99_999)),
  wear: z.enum(['zero', 'keep']),
  sisters: z.discriminatedUnion('type', [
    z.object({ type: z.literal('none') }),
    z.object({ type: z.literal('own T'), step: z.number().int().min(1, fault('SISTER_STEP')).max(9999) }),
    z.object({ type: z.literal('copies'), step: z.number().int().min(1, fault('SISTER_STEP')).max(9999) }),
  ]),
  switchBy: z.enum(['control', 'program']),
  absoluteWord: z.boolean(),
})
const MOST_TEMPLATE = 20_000
const Template = z.object({
  machine: MachineKey,
  template: z.string().max(MOST_TEMPLATE, fault('TEMPLATE_SIZE')),
  serials: z.array(z.string().max(40)).max(50),
  options: Options,
})
/** A trial of a post; `wrong` says why it may not be saved. */
export const tryTemplate = contract<{
  readonly text: string
  readonly check: PostCheck
  readonly wrong: string | null
}>()(Template)
export const keepPost = contract()(
  Template.extend({
    version: Version,
    name: z
      .string()
      .trim()
      .regex(/^[a-z0-9][a-z0-9-]{1,39}$/, fault('POST_NAME')),
  }),
)

const line = z.string().max(200, fault('LINE_LENGTH'))
const LabelTrial = z.object({
  machine: MachineKey,
  handover: z.number().int().positive(),
  code: z.enum(['datamatrix', 'qr']),
  layout: z.object({
    widthMm: z.number().min(20, fault('LABEL_WIDTH')).max(200, fault('LABEL_WIDTH')),
    heightMm: z.number().min(10, fault('LABEL_HEIGHT')).max(200, fault('LABEL_HEIGHT')),
    title: line,
    lines: z.array(line).max(8),
  }),
})
/** A label as it would be printed. @param cut lines that do not fit, counted from 0 */
export const tryLabel = contract<{ readonly svg: string; readonly cut: readonly number[] }>()(LabelTrial)
export const keepLabel = contract()(LabelTrial.extend({ version: Version }))
