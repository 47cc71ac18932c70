import { registerNumber } from '@/core/handover'
import { isTyped } from '@/core/tool'
import { findAssemblies } from '@/db/assembly/read'
import { setRunningMin } from '@/db/assembly/write'
import { inTransaction, type Db } from '@/db/connection'
import { listMachines } from '@/db/machine/read'
import type { Control } from '@/devices/control/port'

/**
 * Keeps what each control says its tools have cut since they went in: planning counts it before they come out again.
 * A control that does not answer, or counts no minutes, leaves what was known.
 */
export async function readMinutes(db: Db, control: Control): Promise<void> {
  for (const machine of listMachines(db)) {
    const inside = findAssemblies(db, { machine: machine.key, state: 'loaded' })
    if (!inside.length || (isTyped(machine) && !machine.agent)) continue
    const state = await control.state(machine.key)
    if (!state.ok) continue
    inTransaction(db, (tx) => {
      for (const { id, t, pocket, sister } of inside) {
        const register = t === null ? null : registerNumber({ t, pocket, sister }, machine)
        const minutes = register === null ? undefined : state.value.cutMin.get(register)
        if (minutes !== undefined) setRunningMin(tx, id, minutes)
      }
    })
  }
}
