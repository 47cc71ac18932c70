import { isEmptyRow, isWorn, registerNumber, wearOf, type HeldRow, type Wear } from '@/core/handover'
import type { Difference, MachineState } from '@/core/load'
import type { Assembly, Machine } from '@/core/tool'
import { getAssembly } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getMachine } from '@/db/machine/read'
import type { Control, ControlError } from '@/devices/control/port'
import { askControl } from '../load/ask-control'
import { readDifferences } from '../load/differences'
import { takenAsWear } from '../watch/watched'

/** A tool in a machine, with what its control says of it. */
export interface Inside {
  readonly assembly: Assembly
  readonly machine: Machine
  /** The row of the table it has. */
  readonly register: number
  /** What the control holds for it now; null when it does not answer, or only takes typing. */
  readonly row: HeldRow | null
  readonly wear: Wear | null
  readonly worn: boolean
  /** Minutes it cut by the control's own count; null where it keeps none. */
  readonly cutMin: number | null
  readonly state: MachineState | null
  readonly problem: ControlError | null
  /** Where the record and the control tell otherwise of it. */
  readonly differences: readonly Difference[]
}

const addWear = (a: Wear, b: Wear): Wear => ({
  lengthMm: (a.lengthMm ?? 0) + (b.lengthMm ?? 0),
  radiusMm: (a.radiusMm ?? 0) + (b.radiusMm ?? 0),
})

/** A tool as it stands in its machine; null when it stands in none. */
export async function readInside(db: Db, control: Control, serial: string): Promise<Inside | null> {
  const assembly = getAssembly(db, serial)
  const machine = assembly?.state === 'loaded' && assembly.machine ? getMachine(db, assembly.machine) : null
  if (!assembly || !machine || assembly.t === null) return null
  const { t, pocket, sister } = assembly
  const register = registerNumber({ t, pocket, sister }, machine) ?? t
  const { state, table, problem } = await askControl(control, machine)
  const row = table && (table.get(register) ?? {})
  // emptied already, by an unloading that broke off: the wear it had was kept before
  const kept = row && assembly.wear && isEmptyRow(row, machine) ? assembly.wear : null
  const told = row && wearOf(row, machine)
  const corrected = takenAsWear(db, machine, serial)
  const wear = told && corrected ? addWear(told, corrected) : told
  return {
    assembly,
    machine,
    register,
    row,
    wear: kept ?? wear,
    worn: kept !== null || (row !== null && isWorn(row)) || corrected !== null,
    cutMin: state?.cutMin.get(register) ?? null,
    state,
    problem,
    differences: readDifferences(db, machine, { state, table }, [assembly]),
  }
}
