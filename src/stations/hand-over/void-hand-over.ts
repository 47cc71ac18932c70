import { nextState } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { currentHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, refuser, write } from '../write'

/** Takes a hand-over back: its label, tag and file are refused from now on wherever they are read. */
export function voidHandover(work: Work, serial: string, reason: string): Result<{ readonly issue: number }, Refusal> {
  const assembly = getAssembly(work.db, serial)
  const handover = currentHandover(work.db, serial)
  if (!assembly || !handover) return fail({ code: 'NO_HANDOVER', serial })
  const about = { serial, t: handover.values.t, machine: handover.values.machine }
  const state = nextState(assembly.state, 'void')
  if (!state) return refuser(work, 'Hand over', about)({ code: 'IN_BY_THIS_HANDOVER', serial })
  const { issue } = handover.values
  return write(work, { entry: { code: 'VOIDED', issue, reason }, ...about, before: handover.values }, (tx) => {
    must(moveAssembly(tx.db, assembly, { state }), { code: 'CHANGED', what: 'tool', serial })
    voidCurrent(tx.db, serial, tx.now, { code: 'TAKEN_BACK', reason })
    return { issue }
  })
}
