/** Where the record and a machine's own control tell otherwise of the tools that are in it. */
import { isEmptyRow, registerNumber, registersOf, type HandoverValues, type HeldRow, type RegisterName } from '../handover'
import { controlT, SPINDLE, tableOf, type Machine } from '../tool'
import type { MachineState } from './state'

/** A tool that is in the machine by our record. */
export interface RecordedTool {
  readonly serial: string
  readonly t: number
  readonly sister: number
  readonly pocket: number | null
  /** What it went in with; null where nothing is known of that. */
  readonly values: HandoverValues | null
}

export type Difference = { readonly serial: string; readonly t: number } & (
  | { readonly code: 'ROW_EMPTY'; readonly number: number }
  /** In the machine's unit. @property held null: nothing */
  | {
      readonly code: 'ROW_DIFFERS'
      readonly number: number
      readonly register: RegisterName
      readonly held: number | null
      readonly wanted: number
    }
  | { readonly code: 'NOT_LISTED'; readonly pocket: number }
  | { readonly code: 'LISTED_ELSEWHERE'; readonly pocket: number; readonly there: number }
  | { readonly code: 'OTHER_LISTED'; readonly pocket: number; readonly other: number }
)

/**
 * Geometry against the control's table, places against its list; wear is the machine's own to change.
 * @param table null where it was not read; @param state null where nothing is known of the magazine
 */
export function differencesOf(
  machine: Machine,
  tools: readonly RecordedTool[],
  table: ReadonlyMap<number, HeldRow> | null,
  state: MachineState | null,
): readonly Difference[] {
  return tools.flatMap((tool) => [
    ...(table ? rowDifference(machine, tool, table) : []),
    ...(state ? placeDifference(machine, tool, state) : []),
  ])
}

function rowDifference(machine: Machine, tool: RecordedTool, table: ReadonlyMap<number, HeldRow>): Difference[] {
  const { serial, t, pocket, sister, values } = tool
  const number = registerNumber({ t, pocket, sister }, machine)
  if (number === null || !values) return []
  const row = table.get(number) ?? {}
  if (isEmptyRow(row, machine)) return [{ serial, t, code: 'ROW_EMPTY', number }]
  const unworn: Machine = { ...machine, table: { ...tableOf(machine), wear: 'keep' } }
  return registersOf({ ...values, t, pocket, sister }, unworn)
    .filter(({ register, rounded }) => (row[register] ?? null) !== rounded)
    .map(({ register, rounded }) => ({
      serial,
      t,
      code: 'ROW_DIFFERS',
      number,
      register,
      held: row[register] ?? null,
      wanted: rounded,
    }))
}

function placeDifference(machine: Machine, tool: RecordedTool, { magazine, spindle }: MachineState): Difference[] {
  const { serial, t, pocket, sister } = tool
  // a control without a list of its pockets says nothing, and so does one whose spindle has the tool just now
  if (pocket === null || pocket === SPINDLE || (magazine.size === 0 && spindle === null)) return []
  const own = controlT({ t, sister }, machine)
  const here = magazine.get(pocket) ?? null
  if (here === own || spindle === own) return []
  const there = [...magazine].find(([, listed]) => listed === own)?.[0]
  if (there !== undefined) return [{ serial, t, code: 'LISTED_ELSEWHERE', pocket, there }]
  return [here === null ? { serial, t, code: 'NOT_LISTED', pocket } : { serial, t, code: 'OTHER_LISTED', pocket, other: here }]
}
