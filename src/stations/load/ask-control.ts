import { SILENT, type MachineState } from '@/core/load'
import { isTyped, type Machine } from '@/core/tool'
import type { Control, ControlError, ControlTable } from '@/devices/control/port'

/** What the control tells when it is asked; both null when it does not answer. */
export interface ControlAnswer {
  readonly state: MachineState | null
  readonly table: ControlTable | null
}

/** Asks a control that takes files; one that only takes typing tells nothing, and nothing is wrong with that. */
export async function askControl(
  control: Control,
  machine: Machine,
): Promise<ControlAnswer & { readonly problem: ControlError | null }> {
  if (isTyped(machine)) {
    // its agent tells how it is; what is typed is read back by eye either way
    const told = machine.agent ? await control.state(machine.key) : null
    return { state: told?.ok ? told.value : SILENT, table: null, problem: null }
  }
  const state = await control.state(machine.key)
  if (!state.ok) return { state: null, table: null, problem: state.error }
  const table = await control.table(machine.key)
  if (!table.ok) return { state: null, table: null, problem: table.error }
  return { state: state.value, table: table.value, problem: null }
}
