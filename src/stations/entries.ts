/** Everything that the record can tell: one code each, with what belongs to it. `src/words/record.ts` makes the sentences. */
import type { BalanceWanted, FitStep } from '@/core/balance'
import type { CauseCode } from '@/core/causes'
import type { CoolingWay, PracticeKey } from '@/core/clamp'
import type { Clamping } from '@/core/fits'
import type { Concession, HandoverRefusal } from '@/core/handover'
import type { Difference, LoadSaid } from '@/core/load'
import type { DriftVerdict, MeasurementSource, Verdict } from '@/core/judge'
import type { MoveName } from '@/core/plan'
import type { ConditionOn } from '@/core/practice'
import type { Devices, OwnDevices, SetUpList } from '@/core/set-up'
import type {
  Condition,
  Coupling,
  Disturbance,
  HookEvent,
  Machine,
  PersonRole,
  Scope,
  TouchOffMethod,
  TouchOffValue,
} from '@/core/tool'
import type { Bare, LengthUnit } from '@/core/units'
import type { Refusal } from './refusals'
import type { Disposition } from './return/contract'

/** Where at the bench something was refused. */
export type Where =
  'Balance' | 'Build' | 'Hand over' | 'Labels' | 'Load' | 'Masters' | 'Measure' | 'Posts' | 'Return' | 'Rights' | 'Rules' | 'Tag'

/** A heat of a joint. @param byHand on a unit without a data line */
interface Heating {
  readonly coil: string
  readonly temperatureC: number
  /** Which heat of this joint it was, 1 for the first. */
  readonly heat: number
  readonly joint: string
}

export interface Entries {
  REFUSED: { readonly where: Where; readonly refusal: Refusal }

  // people
  /** @param pin whether a PIN was asked for */
  SIGNED_IN: { readonly pin: boolean }
  SIGNED_OUT: Bare
  /** @param wrong one after the other */
  WRONG_PIN: { readonly wrong: number }
  /** @param was null: somebody new */
  PERSON: { readonly name: string; readonly role: PersonRole; readonly was: PersonRole | null; readonly retired: boolean }
  PIN_SET: { readonly name: string; readonly none: boolean }
  /** What is left out was not there yet when it was kept. */
  SIGN_IN_RULE: { readonly badgeAlone: boolean; readonly askAgainMin?: number; readonly stayHours?: number }
  CLIENT_MADE: { readonly name: string; readonly scopes: readonly Scope[] }
  CLIENT_ENDED: { readonly name: string }
  HOOK_MADE: { readonly name: string; readonly url: string; readonly events: readonly HookEvent[] }
  HOOK_ENDED: { readonly name: string }
  SESSIONS_ENDED: { readonly name: string }
  SHOP_NAMED: { readonly shop: string; readonly unit: LengthUnit; readonly zone: string }
  SHOP_BEGUN: { readonly shop: string; readonly name: string }

  // kit
  JOB_ADDED: { readonly job: string; readonly machine: string; readonly tools: number }
  JOB_COPIED: { readonly job: string; readonly from: string }
  JOB_CHANGED: { readonly job: string; readonly quantity: number; readonly dueAt: string }
  TOOLS_ADDED: { readonly job: string; readonly tools: readonly { readonly t: number; readonly count: number }[] }
  /** @param to null: nothing to set up; undefined: found by itself again */
  T_SAID: { readonly job: string; readonly t: number; readonly to?: { readonly id: string; readonly name: string } | null }
  JOB_CLOSED: { readonly job: string; readonly state: 'done' | 'cancelled'; readonly back: number }
  JOB_REOPENED: { readonly job: string; readonly was: string; readonly reason: string }
  NEEDED_NOW: { readonly t: number; readonly machine: string }
  NOT_BROKEN: { readonly job: string; readonly serial: string; readonly reason: string }
  /** @param job null: free for any */
  RESERVED: { readonly job: string | null }
  GIVEN: { readonly job: string; readonly from: string | null }
  TAKEN: { readonly count: number; readonly part: string; readonly place: string | null; readonly job: string }
  PUT_BACK: { readonly count: number; readonly part: string; readonly place: string | null }

  // build
  BUILD_BEGUN: { readonly t: number; readonly job: string }
  BUILD_LEFT: { readonly t: number; readonly job: string; readonly serial: string }
  EXTENSION_ADDED: { readonly part: string; readonly extension: string; readonly serial: string; readonly shrunk: boolean }
  HEATED: Heating & { readonly byHand: { readonly heatingS: number; readonly way: CoolingWay } | null }
  HEAT_FAILED: Bare
  /** @param approval a lead's reason for going beyond a limit */
  HEATED_OUT: Heating & { readonly byHand: boolean; readonly approval: string | null }
  BUILT: {
    readonly cutter: string | null
    readonly shrunk: boolean
    readonly serial: string
    readonly stopSetMm: number | null
    readonly torqueNm: number | null
  }
  TAKEN_APART: {
    readonly heated: boolean
    readonly wear: readonly { readonly part: string; readonly seen: string }[]
    readonly voided: number | null
  }
  DISTURBED: { readonly what: Disturbance; readonly voided: number | null }
  CONDITION_CORRECTED: { readonly was: Condition; readonly reason: string }
  STEPS_KEPT: { readonly clamping: Clamping; readonly titles: readonly string[] }

  // balance
  BALANCE_WANTED: { readonly grade: number; readonly rpm: number }
  /** A run of the spindle. @param grade once both seats are in @param rpm at which the grade is told */
  SPUN: { readonly seat: 0 | 180; readonly round: number; readonly grade: number | null; readonly rpm: number }
  BALANCE_STEP: { readonly step: FitStep }
  /** @param by who found it elsewhere; null: here */
  BALANCED: {
    readonly grade: number
    readonly wanted: BalanceWanted
    readonly goodToRpm: number
    readonly good: boolean
    readonly by: string | null
  }
  BALANCE_DROPPED: Bare
  /** mm on diameter, from dial zero. */
  DIAL_SET: {
    readonly dialMm: number
    readonly divisions: number
    readonly wantedMm: number
    readonly expectedMm: number
  }
  BORE_CUT: { readonly boreMm: number; readonly wantedMm: number; readonly next: 'done' | 'larger' | 'too large' }
  INSERT_CHANGED: {
    readonly machine: string
    readonly edge: number
    readonly edges: number
    readonly wear: 'zero' | 'as probed'
  }
  /** mm, X as a radius. @param minutes that the machine stood */
  TOUCHED_OFF: {
    readonly machine: string
    readonly what: TouchOffValue
    readonly method: TouchOffMethod
    readonly valueMm: number
    readonly minutes: number
  }
  CALIBRATED: { readonly rotor: string; readonly condition: number }

  // measure
  /** @param edges how many were measured from pictures */
  MEASURED: {
    readonly source: MeasurementSource
    readonly edges: number
    readonly verdict: Verdict | null
    readonly voided: number | null
    /** The same within uncertainty: the hand-over stands. */
    readonly kept: boolean
    readonly reason: string | null
  }
  WIPED: { readonly edge: number | null }
  TAKEN_IN: { readonly name: string }
  ROUTINE_KEPT: { readonly definition: string; readonly version: number; readonly why: string }
  BENCH_CHECKED: { readonly master: string; readonly verdict: DriftVerdict; readonly reason: string | null }
  OTHER_BENCH_CHECKED: { readonly master: string; readonly verdict: DriftVerdict }
  CHECK_OVERRULED: { readonly reason: string }
  /** @param loadedIn the machine it is in already */
  MEASURE_AGAIN: { readonly movedMm: number; readonly foundAt: string; readonly loadedIn: string | null }
  ADAPTER_CHANGED: { readonly serial: string; readonly coupling: Coupling }
  ADAPTER_ADDED: { readonly serial: string; readonly coupling: Coupling }
  MASTER_RENEWED: { readonly master: string; readonly until: string }
  PICTURES_CLEANED: { readonly sets: number; readonly days: number }

  // hand over
  RELEASED: {
    readonly issue: number
    readonly machine: string
    readonly concession: Concession | null
    /** What a lead released it against, and why. */
    readonly against: readonly HandoverRefusal[]
    readonly reason: string | null
  }
  VOIDED: { readonly issue: number; readonly reason: string }
  POSTED: { readonly file: string; readonly machine: string; readonly over: boolean }
  LABEL_PRINTED: { readonly issue: number }
  TAG_WRITTEN: { readonly serial: string; readonly issue: number }
  TAG_WEAR: { readonly serial: string }
  POST_KEPT: { readonly post: string; readonly machine: string }
  LABEL_KEPT: { readonly machine: string }

  // load and return
  LOAD_BEGUN: { readonly machine: string; readonly pocket: number; readonly issue: number }
  LOAD_OVERRULED: { readonly said: LoadSaid; readonly machine: Machine; readonly reason: string }
  LOAD_DROPPED: { readonly machine: string; readonly pocket: number; readonly reason: string; readonly emptied: boolean }
  LOADED: { readonly machine: string; readonly pocket: number; readonly issue: number; readonly typed: boolean }
  RULES_KEPT: { readonly machine: string }
  UNLOADED: {
    readonly machine: string
    readonly pocket: number | null
    readonly disposition: Disposition
    /** The machine it goes to next. */
    readonly to: string | null
    readonly wear: 'kept' | 'cleared' | null
    readonly reason: string
    readonly voided: number | null
    /** It broke off, and was ended by whoever looked next; missing in older entries. */
    readonly late?: boolean
  }

  // library and store
  PART_PUT: { readonly part: string; readonly name: string; readonly isNew: boolean }
  DEFINITION_PUT: { readonly name: string; readonly version: number }
  IMPORTED: { readonly parts: number; readonly definitions: number; readonly source: string }
  HOLDER_ADDED: { readonly type: string }
  /** @param until ISO 8601; null: no date */
  INSPECTED: { readonly until: string | null }
  RETIRED: { readonly reason: string }
  STUD_REPLACED: { readonly stud: string; readonly torqueNm: number }
  REGROUND: { readonly count: number; readonly part: string; readonly DCmm: number; readonly OALmm: number }
  BOOKED: Booking
  BOOKING_UNDONE: Booking & { readonly booking: number }
  PUT_AWAY: { readonly unit: string; readonly place: string }
  UNIT_MOVED: { readonly unit: string }
  UNIT_ADDED: { readonly unit: string; readonly places: number; readonly slots: boolean }

  // set-up
  SET_UP: { readonly list: SetUpList; readonly name: string; readonly isNew: boolean }
  SET_UP_RETIRED: { readonly list: SetUpList; readonly name: string; readonly retired: boolean }
  SET_UP_TABLE: { readonly list: SetUpList; readonly rows: number }
  COUPLING_STANDARD: { readonly name: string }
  DEVICES_CHOSEN: Devices
  STUDY_STARTED: { readonly name: string; readonly people: number; readonly tools: number; readonly repeats: number }
  STUDY_ENDED: { readonly name: string }
  CHECK_KEPT: { readonly machine: string; readonly own: boolean }
  /** @param off mm; null: nothing is known any more */
  STATION_SET: {
    readonly machine: string
    readonly station: number
    readonly master: string
    readonly off: { readonly xMm: number; readonly zMm: number } | null
  }
  TERMINAL_DEVICES: { readonly own: OwnDevices }
  /** What somebody found to be wrong with a tool, beside what was told first. */
  // lessons that a lead made, and who needs them
  LESSON_MADE: { readonly title: string }
  LESSON_RETIRED: { readonly title: string }
  /** @param title of one that a lead made; null: its words stand in the program */
  LESSON_ASKED: { readonly what: ConditionOn; readonly lesson: string; readonly title: string | null }
  LESSON_NOT_ASKED: { readonly what: ConditionOn; readonly lesson: string; readonly title: string | null }
  CAUSE_SAID: { readonly cause: CauseCode; readonly edge: number | null; readonly told: CauseCode; readonly p: number }
  /** What somebody said of a difference between a control's table and what was handed over. */
  TABLE_DECIDED: { readonly as: 'wear' | 'kept open'; readonly difference: Difference; readonly reason: string }
  /** @param mmPerPixel across */
  CAMERA_CALIBRATED: { readonly master: string; readonly mmPerPixel: number }
  PRACTICE_CHANGED: { readonly key: PracticeKey; readonly before: number; readonly after: number }
}

interface Booking {
  readonly move: MoveName
  readonly count: number
  readonly part: string
  readonly place: string | null
  readonly job: string | null
}

export type EntryCode = keyof Entries
export type Entry<C extends EntryCode = EntryCode> = { [K in C]: { readonly code: K } & Entries[K] }[C]

/** The short word under which an entry is found; several codes may share one. */
export const KINDS: Readonly<
  Record<Exclude<EntryCode, 'BOOKED' | 'DISTURBED' | 'JOB_CLOSED' | 'RESERVED' | 'UNLOADED' | 'PART_PUT'>, string>
> = {
  REFUSED: 'refused',
  JOB_ADDED: 'job added',
  JOB_COPIED: 'job added',
  JOB_CHANGED: 'job changed',
  TOOLS_ADDED: 'job changed',
  T_SAID: 'job changed',
  JOB_REOPENED: 'job reopened',
  NEEDED_NOW: 'needed now',
  NOT_BROKEN: 'taken back',
  GIVEN: 'kept',
  TAKEN: 'taken',
  PUT_BACK: 'taken back',
  SIGNED_IN: 'signed in',
  SIGNED_OUT: 'signed out',
  WRONG_PIN: 'wrong PIN',
  PERSON: 'person',
  PIN_SET: 'PIN set',
  SIGN_IN_RULE: 'sign-in rule',
  CLIENT_MADE: 'token made',
  CLIENT_ENDED: 'token ended',
  HOOK_MADE: 'web hook',
  HOOK_ENDED: 'web hook',
  SESSIONS_ENDED: 'signed out',
  SHOP_NAMED: 'set up',
  SHOP_BEGUN: 'shop begun',
  SET_UP: 'set up',
  SET_UP_RETIRED: 'set up',
  SET_UP_TABLE: 'set up',
  COUPLING_STANDARD: 'set up',
  DEVICES_CHOSEN: 'set up',
  STUDY_STARTED: 'study',
  STUDY_ENDED: 'study',
  CHECK_KEPT: 'check block',
  STATION_SET: 'turret',
  TERMINAL_DEVICES: 'set up',
  CAMERA_CALIBRATED: 'measured',
  LESSON_MADE: 'lesson',
  LESSON_RETIRED: 'lesson',
  LESSON_ASKED: 'lesson',
  LESSON_NOT_ASKED: 'lesson',
  CAUSE_SAID: 'cause',
  TABLE_DECIDED: 'table watch',
  BUILD_BEGUN: 'build begun',
  BUILD_LEFT: 'build left',
  EXTENSION_ADDED: 'extension',
  HEATED: 'heated',
  HEAT_FAILED: 'heat failed',
  HEATED_OUT: 'heated out',
  BUILT: 'built',
  TAKEN_APART: 'taken apart',
  CONDITION_CORRECTED: 'condition corrected',
  STEPS_KEPT: 'steps',
  BALANCE_WANTED: 'grade set',
  SPUN: 'balance run',
  BALANCE_STEP: 'corrected',
  BALANCED: 'balanced',
  BALANCE_DROPPED: 'begun anew',
  DIAL_SET: 'dial set',
  BORE_CUT: 'bore measured',
  INSERT_CHANGED: 'insert changed',
  TOUCHED_OFF: 'touched off',
  CALIBRATED: 'spindle calibrated',
  MEASURED: 'measured',
  WIPED: 'wiped',
  TAKEN_IN: 'taken in',
  ROUTINE_KEPT: 'routine kept',
  BENCH_CHECKED: 'checked',
  OTHER_BENCH_CHECKED: 'checked',
  CHECK_OVERRULED: 'overruled',
  MEASURE_AGAIN: 'to measure again',
  ADAPTER_CHANGED: 'adapter changed',
  ADAPTER_ADDED: 'adapter added',
  MASTER_RENEWED: 'master renewed',
  PICTURES_CLEANED: 'pictures cleaned',
  RELEASED: 'released',
  VOIDED: 'voided',
  POSTED: 'posted',
  LABEL_PRINTED: 'label printed',
  TAG_WRITTEN: 'tag written',
  TAG_WEAR: 'tag written',
  POST_KEPT: 'post kept',
  LABEL_KEPT: 'label kept',
  LOAD_BEGUN: 'load begun',
  LOAD_OVERRULED: 'overruled',
  LOAD_DROPPED: 'load given up',
  LOADED: 'loaded',
  RULES_KEPT: 'rules kept',
  DEFINITION_PUT: 'definition',
  IMPORTED: 'imported',
  HOLDER_ADDED: 'holder added',
  INSPECTED: 'inspected',
  RETIRED: 'retired',
  STUD_REPLACED: 'stud replaced',
  REGROUND: 'reground',
  BOOKING_UNDONE: 'put right',
  PUT_AWAY: 'put away',
  UNIT_MOVED: 'store plan',
  UNIT_ADDED: 'store plan',
  PRACTICE_CHANGED: 'practice changed',
}

export function kindOf(entry: Entry): string {
  switch (entry.code) {
    case 'BOOKED':
      return entry.move
    case 'DISTURBED':
      return entry.what
    case 'JOB_CLOSED':
      return entry.state === 'done' ? 'job done' : 'job cancelled'
    case 'RESERVED':
      return entry.job === null ? 'freed' : 'kept'
    case 'UNLOADED':
      return entry.disposition === 'broken' ? 'broken' : 'unloaded'
    case 'PART_PUT':
      return entry.isNew ? 'part added' : 'part changed'
    default:
      return KINDS[entry.code]
  }
}
