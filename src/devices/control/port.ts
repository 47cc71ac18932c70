/** A machine's control as the tool room reaches it: its offset table, and a scratch table to try a file on. */
import type { HeldRow } from '@/core/handover'
import type { Result } from '@/core/units'

/** Rows by tool number, values in the machine's own unit. */
export type ControlTable = ReadonlyMap<number, HeldRow>

export type ControlError =
  /** No answer, or the connection broke: nothing is known of what the control did. */
  | { readonly code: 'UNREACHABLE'; readonly detail: string }
  /** The control read the file and refuses it; nothing was written. */
  | { readonly code: 'REFUSED'; readonly line: number | null; readonly detail: string }

export interface Control {
  /** Reads the live offset table. */
  table(machine: string): Promise<Result<ControlTable, ControlError>>
  /** Runs a file on an empty scratch table; the live one is not touched. */
  tryFile(machine: string, text: string): Promise<Result<ControlTable, ControlError>>
  /** Runs a file on the live table, all of it or nothing. */
  run(machine: string, text: string): Promise<Result<ControlTable, ControlError>>
}

/** What went wrong, and what to do about it. */
export function controlErrorText(error: ControlError): string {
  if (error.code === 'UNREACHABLE')
    return `The control does not answer (${error.detail}). Nothing is known to be written: read its table before trying again.`
  return `The control refuses the file${error.line ? ` at line ${error.line}` : ''}: ${error.detail}. Nothing was written.`
}
