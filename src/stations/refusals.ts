/** Everything that a verb may refuse: one code each, with what belongs to it. `src/words` makes the sentences. */
import type { Refusal as FitsRefusal } from '@/core/fits'
import type { ToolState } from '@/core/tool'
import { fail, type Bare } from '@/core/units'
import type { ClaimedFor } from '@/db/claim/write'
import type { ControlError } from '@/devices/control/port'
import type { AtMachineRefusals } from './at-machine/contract'
import type { BalanceRefusals } from './balance/contract'
import type { BoreRefusals } from './bore/contract'
import type { BuildRefusals } from './build/contract'
import type { CauseRefusals } from './causes/contract'
import type { DeviceRefusals } from './devices/contract'
import type { HandoverRefusals } from './hand-over/contract'
import type { KitRefusals } from './kit/contract'
import type { LessonRefusals } from './lessons/contract'
import type { LibraryRefusals } from './library/contract'
import type { LoadRefusals } from './load/contract'
import type { MeasureRefusals } from './measure/contract'
import type { PlanRefusals } from './plan/contract'
import type { OutsideRefusals } from './outside/contract'
import type { PeopleRefusals } from './people/contract'
import type { PracticeRefusals } from './practice/contract'
import type { ReturnRefusals } from './return/contract'
import type { SetUpRefusals } from './set-up/contract'
import type { StudyRefusals } from './study/contract'
import type { TeachingRefusals } from './teaching/contract'
import type { WatchRefusals } from './watch/contract'
import type { StoreRefusals } from './store/contract'

/** Refusal at more than one station. */
export interface SharedRefusals {
  /** Others' work comes first; the same can be asked again. */
  BUSY: Bare
  /** The disk or the database's file. */
  DISK_FULL: Bare
  READ_ONLY: Bare
  BROKEN_FILE: Bare
  OTHER_SCHEMA: Bare
  /** Somebody is at the same tool or machine this moment. */
  CLAIMED: { readonly who: string; readonly doing: ClaimedFor }
  /** It took so long that somebody else went on with it. */
  CLAIM_LOST: Bare
  /** Reading or filling in what came took more time or memory than anything useful does. */
  TOO_HEAVY: Bare
  NOBODY: Bare
  /** What came is not what the contract asks for. @param fault a `FieldFault`, where the contract names one */
  BAD_INPUT: {
    readonly fault: string | null
    readonly field: string
    readonly least: number | null
    readonly most: number | null
  }
  LEAD_ONLY: { readonly what: LeadOnly }
  ADMINISTRATOR_ONLY: { readonly what: AdministratorOnly }
  UNKNOWN_MACHINE: { readonly machine: string }
  /** @param holder the holder itself is not known; else there is no tool on it */
  UNKNOWN_SERIAL: { readonly serial: string; readonly holder?: boolean }
  UNKNOWN_HOLDER: { readonly serial: string }
  UNKNOWN_JOB: { readonly job: string; readonly open: boolean }
  UNKNOWN_TOOL: { readonly job: string; readonly t: number }
  UNKNOWN_PART: { readonly part: string }
  UNKNOWN_PLACE: { readonly place: string }
  UNKNOWN_HANDOVER:
    | { readonly what: 'these' | 'to-try' }
    | { readonly what: 'number'; readonly serial: string; readonly issue: number }
    | { readonly what: 'current'; readonly serial: string }
  BAD_MARK: Bare
  /** Somebody else was quicker. */
  CHANGED:
    | {
        readonly what:
          'build' | 'steps' | 'routine' | 'readings' | 'drawer' | 'job' | 'practice' | 'adapter' | 'person' | 'devices'
      }
    | { readonly what: 'unit'; readonly unit: string }
    | { readonly what: 'tool' | 'load' | 'loaded tool' | 'holder'; readonly serial: string }
    | { readonly what: 'machine'; readonly machine: string }
    | { readonly what: 'part'; readonly part: string }
    | { readonly what: 'master'; readonly master: string }
    | { readonly what: 'definition'; readonly definition: string; readonly version: number | null }
  /** The tool's state does not allow it. */
  NOT_NOW: { readonly serial: string; readonly state: ToolState }
  IN_A_MACHINE: { readonly serial: string; readonly machine: string }
  OTHER_HOLDER: { readonly scanned: string; readonly serial: string; readonly nothing: 'saved' | 'released' }
  HOLDER_CARRIES_TOOL: { readonly serial: string; readonly then: 'take apart' | 'open' }
  NO_HANDOVER: { readonly serial: string }
  /** A template cannot be filled in. @param of post, line, or the title of a step */
  BAD_TEMPLATE: { readonly of: string; readonly detail: string }
  /** Parts that do not fit, or a holder that may not be used. */
  FITS: { readonly refusal: FitsRefusal }
  CONTROL: { readonly error: ControlError }
}

/** What only an administrator may do: say who may what. */
export type AdministratorOnly = 'clients' | 'devices' | 'people' | 'shop' | 'sign-in'

/** What only a lead may do. */
export type LeadOnly =
  | 'certificates'
  | 'imports'
  | 'labels'
  | 'lessons'
  | 'limits'
  | 'master checks'
  | 'pictures'
  | 'posts'
  | 'practice'
  | 'prices'
  | 'rules'
  | 'set-up'
  | 'steps'
  | 'templates'
  | 'tools'
  | 'watch'

export interface Refusals
  extends
    SharedRefusals,
    AtMachineRefusals,
    BalanceRefusals,
    BoreRefusals,
    BuildRefusals,
    CauseRefusals,
    DeviceRefusals,
    HandoverRefusals,
    KitRefusals,
    LessonRefusals,
    LibraryRefusals,
    LoadRefusals,
    MeasureRefusals,
    OutsideRefusals,
    PeopleRefusals,
    PlanRefusals,
    PracticeRefusals,
    ReturnRefusals,
    SetUpRefusals,
    StoreRefusals,
    StudyRefusals,
    TeachingRefusals,
    WatchRefusals {}

export type RefusalCode = keyof Refusals

/** What is wrong besides, told together with the first. */
interface Also {
  readonly also?: readonly Refusal[]
}

export type Refusal<C extends RefusalCode = RefusalCode> = { [K in C]: { readonly code: K } & Refusals[K] & Also }[C]

/** A failed result; the compiler holds it against the list above. */
export const refuse = (refusal: Refusal) => fail(refusal)

/** Several refusals as one: the first, and what is wrong besides. */
export function together(refusals: readonly Refusal[]): Refusal {
  const [first, ...rest] = refusals
  const also = [...(first.also ?? []), ...rest]
  return also.length ? { ...first, also } : first
}

/** The code that other programs see: that of the device or of the part where it comes from there. */
export function outerCode(refusal: Refusal): string {
  switch (refusal.code) {
    case 'CONTROL':
    case 'LINE':
    case 'PRINTER':
    case 'SHRINK_UNIT':
    case 'SPINDLE':
    case 'TAG_READER':
    case 'FRAME_SET':
    case 'SET':
    case 'ROUTINE':
    case 'FIGURES':
    case 'MOVE':
      return refusal.error.code
    case 'TAG':
    case 'SPIN':
    case 'CALIBRATION':
    case 'DIAL':
      return refusal.fault.code
    case 'TABLE':
    case 'HANDOVER':
      return refusal.refusal.code
    case 'FITS':
      return refusal.refusal.code === 'SHRINK' ? refusal.refusal.error.code : refusal.refusal.code
    case 'RULE':
      return refusal.finding.rule.toUpperCase()
    case 'PART':
      return refusal.faults[0]?.code ?? refusal.code
    default:
      return refusal.code
  }
}
