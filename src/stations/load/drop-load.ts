import type { LoadRun } from '@/core/load'
import { controlT, SPINDLE } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getLoadRun } from '@/db/load/read'
import { deleteLoadRun } from '@/db/load/write'
import { getMachine } from '@/db/machine/read'
import { type Control } from '@/devices/control/port'
import { emptyRegister } from '../return/empty-register'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, write } from '../write'

/**
 * Gives a load up. Figures that went to the control already are taken back: its row is left as the machine's safe empty
 * state, and its list without the tool.
 */
export async function dropLoad(work: Work, control: Control, serial: string, reason: string): Promise<Result<null, Refusal>> {
  const begun = getLoadRun(work.db, serial)
  if (!begun) return fail({ code: 'LOAD_NOT_BEGUN', serial })
  const keys = [claimKeys.tool(serial), claimKeys.machine(begun.machine)]
  return claimed(work, { what: 'give up', keys, waits: true }, (claim) =>
    dropClaimed(work, controlOf(claim, control), claim, begun, reason),
  )
}

async function dropClaimed(
  work: Work,
  control: Control,
  claim: Claim,
  { id, serial }: LoadRun,
  reason: string,
): Promise<Result<null, Refusal>> {
  // whoever was at it before may have ended it
  const run = getLoadRun(work.db, serial)
  if (!run || run.id !== id) return fail({ code: 'LOAD_OVER', serial })
  const machine = getMachine(work.db, run.machine)
  if (run.sent && machine) {
    const state = await control.state(machine.key)
    if (!state.ok) return fail({ code: 'CONTROL', error: state.error })
    const emptied = await emptyRegister(work, control, machine, run)
    if (!emptied.ok) return emptied
    const listed = run.pocket === SPINDLE ? state.value.spindle : state.value.magazine.get(run.pocket)
    if (listed === controlT(run, machine)) {
      const assigned = await control.assign(machine.key, run.pocket, null)
      if (!assigned.ok) return fail({ code: 'CONTROL', error: assigned.error })
    }
  }
  const { pocket, sent, t } = run
  const entry = { code: 'LOAD_DROPPED', machine: machine?.name ?? run.machine, pocket, reason, emptied: sent } as const
  return write(work, { entry, serial, t, machine: run.machine }, (tx) => {
    claim.must(tx)
    must(deleteLoadRun(tx.db, run.id), { code: 'LOAD_OVER', serial })
    return null
  })
}
