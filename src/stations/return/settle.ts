import { isEmptyRow } from '@/core/handover'
import { ok, type Result } from '@/core/units'
import type { Db } from '@/db/connection'
import { getPerson } from '@/db/person/read'
import { listUnloadRuns, type UnloadRun } from '@/db/unload/read'
import { deleteUnloadRun } from '@/db/unload/write'
import type { Control } from '@/devices/control/port'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import { type Refusal } from '../refusals'
import type { Work } from '../work'
import { write } from '../write'
import { readInside } from './inside'
import { unloadTool } from './contract'
import { clearAndRecord } from './unload'

/** `ended`: it was out of the control already and is out of the record now; `nothing`: it had not begun; `later`: nobody knows yet. */
export type Settled = 'ended' | 'nothing' | 'later'

/**
 * Looks at every unloading that nobody works on any more: a server that died, or a control that fell silent, in the middle
 * of one. A row that was emptied is an unloading that has happened, and is recorded; a row that was not is none.
 */
export async function settleUnloads(db: Db, control: Control, now: string): Promise<readonly Settled[]> {
  const settled: Settled[] = []
  for (const run of listUnloadRuns(db)) {
    const person = getPerson(db, run.personId)
    if (!person) continue
    const work: Work = { db, now, person }
    const keys = [claimKeys.tool(run.serial), claimKeys.machine(run.machine)]
    const done = await claimed(work, { what: 'unload', keys, waits: false }, (claim) =>
      settleOne(work, controlOf(claim, control), claim, run),
    )
    settled.push(done.ok ? done.value : 'later')
  }
  return settled
}

async function settleOne(work: Work, control: Control, claim: Claim, run: UnloadRun): Promise<Result<Settled, Refusal>> {
  const inside = await readInside(work.db, control, run.serial)
  const forget = () =>
    write(work, null, (tx): Settled => {
      claim.must(tx)
      deleteUnloadRun(tx.db, run.serial)
      return 'nothing'
    })
  if (!inside || inside.assembly.id !== run.assemblyId) return forget()
  if (!inside.row) return ok('later')
  if (!isEmptyRow(inside.row, inside.machine)) return forget()
  const asked = unloadTool.input.safeParse(run.asked)
  // written by a version that asked for something else: whoever stands there presses again
  if (!asked.success) return ok('later')
  const done = await clearAndRecord(work, control, claim, inside, asked.data, true)
  return done.ok ? ok('ended') : done
}
