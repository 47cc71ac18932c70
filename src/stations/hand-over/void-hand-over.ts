import { nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { inTransaction } from '@/db/connection'
import { currentHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { note } from '../records/note'
import { noteRefusal } from '../records/note-refusal'
import type { Refusal } from '../refusals'
import type { Work } from '../work'

/** Takes a hand-over back: its label, tag and file are refused from now on wherever they are read. */
export function voidHandover(work: Work, serial: string, reason: string): Result<{ readonly issue: number }, Refusal> {
  const assembly = getAssembly(work.db, serial)
  const handover = currentHandover(work.db, serial)
  if (!assembly || !handover) return fail({ code: 'NO_HANDOVER', serial })
  const about = { serial, t: handover.values.t, machine: handover.values.machine }
  const state = nextState(assembly.state, 'void')
  if (!state) {
    const refused: Refusal = { code: 'IN_BY_THIS_HANDOVER', serial }
    noteRefusal(work, 'Hand over', about, refused)
    return fail(refused)
  }
  const done = inTransaction(work.db, () => {
    if (!moveAssembly(work.db, assembly, { state })) return false
    voidCurrent(work.db, serial, work.now, `taken back: ${reason}`)
    note(work, 'voided', `Hand-over ${handover.values.issue} taken back: ${reason}`, { ...about, before: { ...handover.values } })
    return true
  })
  return done ? ok({ issue: handover.values.issue }) : fail({ code: 'CHANGED', what: 'tool', serial })
}
