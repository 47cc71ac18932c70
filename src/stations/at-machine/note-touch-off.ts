import { isTyped, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { findAssemblies } from '@/db/assembly/read'
import type { Db } from '@/db/connection'
import { getMachine, listMachines } from '@/db/machine/read'
import { listTouchOffs } from '@/db/touch-off/read'
import { insertTouchOff } from '@/db/touch-off/write'
import type { Control } from '@/devices/control/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { refuser, write } from '../write'
import { insertTools } from './change-insert'

interface Note {
  readonly machine: string
  readonly t: number
  readonly what: TouchOffValue
  readonly method: TouchOffMethod
  readonly valueMm: number
  readonly minutes: number
  readonly looked: boolean
}

/** Notes what was found at the machine; only of the tool that is active there. */
export async function noteTouchOff(work: Work, control: Control, given: Note): Promise<Result<null, Refusal>> {
  const { t, what, method, valueMm, minutes, looked } = given
  const machine = getMachine(work.db, given.machine)
  if (!machine) return fail({ code: 'UNKNOWN_MACHINE', machine: given.machine })
  const refuse = refuser(work, 'Load', { t, machine: machine.key })
  const state = isTyped(machine) && !machine.agent ? null : await control.state(machine.key)
  const active = state?.ok ? state.value.spindle : null
  if (active !== null && active !== t) return refuse({ code: 'OTHER_ACTIVE', t, active, machine: machine.name })
  if (active === null && !looked) return refuse({ code: 'ACTIVE_UNSAID', t, machine: machine.name })
  const [inside] = findAssemblies(work.db, { t, machine: machine.key, state: 'loaded' })
  const serial = inside?.serial ?? null
  const entry = { code: 'TOUCHED_OFF', machine: machine.name, what, method, valueMm, minutes } as const
  return write(work, { entry, serial: serial ?? undefined, t, machine: machine.key }, (tx) => {
    insertTouchOff(tx.db, { machine: machine.key, t, serial, at: tx.now, personId: tx.person.id, what, method, valueMm, minutes })
    return null
  })
}

const MOST_LINES = 40

/** What was set at a machine, the newest first; without a key at the first one. null: the shop has none. */
export function readAtMachine(db: Db, key: string | null) {
  const machines = listMachines(db)
  const machine = machines.find((m) => m.key === key) ?? machines.at(0)
  if (!machine) return null
  const inside = insertTools(db, machine, findAssemblies(db, { machine: machine.key, state: 'loaded' }))
  return { machine, machines, inside, lines: listTouchOffs(db, machine.key, MOST_LINES) }
}
