/** A machine's control as the tool room reaches it: its offset table, its magazine, its switches, and a scratch table to try a file on. */
import type { TableFault } from '@/codecs/faults'
import type { HeldRow } from '@/core/handover'
import type { MachineState } from '@/core/load'
import type { Result } from '@/core/units'

/** Rows by tool number, values in the machine's own unit. */
export type ControlTable = ReadonlyMap<number, HeldRow>

export type ControlError =
  /** No answer, or the connection broke: nothing is known of what the control did. */
  | { readonly code: 'UNREACHABLE'; readonly detail: string }
  /** The control read the file and refuses it; nothing was written. */
  | { readonly code: 'REFUSED'; readonly line: number | null; readonly detail: string }
  /** The file is in the machine's folder, and nobody has run it yet. */
  | { readonly code: 'WAITS'; readonly file: string }
  /** The machine has not written its table into the folder; or long ago, ISO 8601; or as something that is none. */
  | { readonly code: 'NO_TABLE' }
  | { readonly code: 'OLD_TABLE'; readonly at: string }
  | { readonly code: 'BAD_TABLE'; readonly fault: TableFault }

export interface Control {
  /** Reads the live offset table. */
  table(machine: string): Promise<Result<ControlTable, ControlError>>
  /** Runs a file on an empty scratch table; the live one is not touched. */
  tryFile(machine: string, text: string): Promise<Result<ControlTable, ControlError>>
  /** Runs a file on the live table, all of it or nothing. */
  run(machine: string, text: string): Promise<Result<ControlTable, ControlError>>
  /** What the switches, the magazine's list and the spindle say now. */
  state(machine: string): Promise<Result<MachineState, ControlError>>
  /** Turns the magazine until this pocket stands at the loading place; refused while the door is open or a program runs. */
  turnTo(machine: string, pocket: number): Promise<Result<MachineState, ControlError>>
  /** Says in the control's own list which T stands in a pocket, null for none; pocket 0 is the spindle. */
  assign(machine: string, pocket: number, t: number | null): Promise<Result<MachineState, ControlError>>
}

/** What somebody standing at the machine does with a stand-in, which has no hands of its own. */
export const HAND_ACTS = [
  'open',
  'shut',
  'put',
  'take',
  'spindle put',
  'spindle take',
  'call back',
  'stop',
  'manual',
  'automatic',
] as const
export type HandAct = (typeof HAND_ACTS)[number]

/** Hands at a stand-in; a real machine has people. */
export interface Hands {
  act(machine: string, act: HandAct): Promise<Result<MachineState, ControlError>>
}
