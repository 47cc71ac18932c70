import { z } from 'zod'
import { type CheckRow, type HeldRow, REGISTER_NAMES, type RegisterName, type VoidReason } from '@/core/handover'
import { LOAD_STEPS, type LoadFinding, type StepLine } from '@/core/load'
import { LOAD_RULES, type Machine } from '@/core/tool'
import { contract, fault, MachineKey, OneSerial, Serial, Why, Version } from '../contract'
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
      readonly why: VoidReason | null
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
  | { readonly code: 'HANDOVER_OLD'; readonly issue: number; readonly why: VoidReason | null }
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

export const beginLoad = contract<{ readonly pocket: number }>()(
  z.object({
    machine: MachineKey,
    serial: Serial,
    label: z.string().max(4096).optional(),
    pocket: z.number().int().min(0).max(999).optional(),
    reasons: z.array(z.object({ rule: z.enum(LOAD_RULES), reason: z.string().max(200) })).max(LOAD_RULES.length),
  }),
)
export const turnMagazine = contract()(OneSerial)
export const tickStep = contract()(z.object({ serial: Serial, step: z.enum(LOAD_STEPS) }))
export const typeFigure = contract()(z.object({ serial: Serial, register: z.enum(REGISTER_NAMES), value: z.number().finite() }))
export const loadTool = contract<Loaded>()(OneSerial)
export const dropLoad = contract()(z.object({ serial: Serial, reason: Why }))
const who = z.enum(['anyone', 'lead', 'nobody'])
export const keepLimits = contract()(
  z.object({
    machine: MachineKey,
    version: Version,
    limits: z.object({
      measuredDays: z.number().int(fault('WHOLE')).min(1).max(3650),
      balanceFromRpm: z.number().min(0).max(200_000),
      slowFromKg: z.number().min(0).max(200),
      liftFromKg: z.number().min(0).max(200),
      asksLabel: z.boolean(),
      may: z.partialRecord(z.enum(LOAD_RULES), who),
    }),
    magazine: z.object({
      form: z.enum(['chain', 'drum', 'rack']),
      pitchMm: z.number().min(20).max(1000),
      gapMm: z.number().min(0).max(100),
    }),
  }),
)

/** A tool that is in: what the control holds now, and what it held before. */
export interface Loaded {
  readonly pocket: number
  readonly rows: readonly CheckRow[]
  readonly before: HeldRow
}
