import {
  checkScratch,
  compareTable,
  otherChanges,
  registerNumber,
  registersOf,
  type Handover,
  type HeldRow,
} from '@/core/handover'
import { isClear, type LoadRun } from '@/core/load'
import { controlT, isTyped, nextState, SPINDLE, type Assembly, type Machine } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { moveAssembly } from '@/db/assembly/write'
import { getLoadRun } from '@/db/load/read'
import { deleteLoadRun, updateLoadRun } from '@/db/load/write'
import { type Control, type ControlError } from '@/devices/control/port'
import { sizesOf, type TableRefusal } from '../hand-over/contract'
import { claimed, claimKeys, controlOf, type Claim } from '../claim'
import { refuse, type Refusal } from '../refusals'
import { refuseUnlearned } from '../teaching/conditions'
import type { Work } from '../work'
import { must, refuser, write } from '../write'
import { readLoad } from './load-sheet'
import type { Loaded } from './contract'

interface InHand {
  readonly run: LoadRun
  readonly machine: Machine
  readonly assembly: Assembly
  readonly handover: Handover
}

/**
 * The end of a load: every rule once more, the released file sent, the table read back, the control's list told, and only
 * then the record says that the tool is in. Whatever breaks on the way, it can be pressed again.
 */
export async function loadTool(work: Work, control: Control, serial: string): Promise<Result<Loaded, Refusal>> {
  const begun = getLoadRun(work.db, serial)
  if (!begun) {
    const t = getAssembly(work.db, serial)?.t
    return refuser(work, 'Load', { serial, t })({ code: 'LOAD_NOT_BEGUN', serial })
  }
  const unlearned = refuseUnlearned(work.db, work.person, 'load', begun.machine)
  if (unlearned) return refuser(work, 'Load', { serial, t: begun.t, machine: begun.machine })(unlearned)
  const keys = [claimKeys.tool(serial), claimKeys.machine(begun.machine)]
  return claimed(work, { what: 'load', keys, waits: true }, (claim) => loadClaimed(work, controlOf(claim, control), claim, begun))
}

async function loadClaimed(
  work: Work,
  control: Control,
  claim: Claim,
  { id, serial }: LoadRun,
): Promise<Result<Loaded, Refusal>> {
  const sheet = await readLoad(work.db, control, { serial }, work.now)
  const { run, machine, assembly, handover } = sheet
  // whoever was at it before may have ended it
  if (run?.id !== id) return fail({ code: 'CHANGED', what: 'loaded tool', serial })
  const refused = refuser(work, 'Load', { serial, t: run?.t ?? assembly?.t, machine: machine?.key })
  if (!run || !machine || !assembly || !handover) return refused({ code: 'LOAD_NOT_BEGUN', serial })
  const broken = sheet.scans.find((line) => line.state !== 'holds')
  if (broken) return refused({ code: 'SCANS', said: broken.said })
  const overruled = run.overruled.map((o) => o.rule)
  const against = sheet.findings.find((f) => !isClear([f], overruled))
  if (against) return refused({ code: 'RULE', finding: against, machine, ask: null })
  const early = sheet.steps.find((s) => s.state !== 'done')
  if (early && early.step !== 'written' && early.step !== 'recorded') return refused({ code: 'STEP_FIRST', step: early })
  const inHand = { run, machine, assembly, handover }
  const written = isTyped(machine) ? typedFigures(inHand) : await sendFigures(work, control, inHand)
  if (!written.ok) return written.error.code === 'CHANGED' ? written : refused(written.error)
  return record(work, claim, inHand, written.value)
}

type Written = Pick<Loaded, 'rows' | 'before'> & { readonly after: HeldRow }

/** What the operator read back by eye. */
function typedFigures({ run, machine, handover }: InHand): Result<Written, Refusal> {
  const wanted = registersOf({ ...handover.values, pocket: run.pocket }, machine)
  const number = wanted[0]?.number ?? handover.values.t
  const check = compareTable(wanted, new Map([[number, run.typed]]), machine.unit)
  const wrong = check.rows.find((row) => !row.same)
  if (wrong) return fail({ code: 'NOT_TYPED', register: wrong.register })
  return ok({ rows: check.rows, before: {}, after: run.typed })
}

/**
 * Tries the very file once more on a scratch table, sends it, reads the whole table back, tells the control's list where
 * the tool is, and reads that back too.
 */
async function sendFigures(work: Work, control: Control, { run, machine, handover }: InHand): Promise<Result<Written, Refusal>> {
  const said = (error: ControlError): Refusal => ({ code: 'CONTROL', error })
  const refused = (refusal: TableRefusal) => refuse({ code: 'TABLE', refusal, machine: sizesOf(machine) })
  const { key } = machine
  const wanted = registersOf(handover.values, machine)
  const register = registerNumber({ ...handover.values, pocket: handover.values.pocket ?? run.pocket }, machine) ?? run.t
  const tried = await control.tryFile(key, handover.postText)
  if (!tried.ok) return refuse(said(tried.error))
  const trial = checkScratch(wanted, tried.value, machine.unit)
  const differs = trial.rows.find((row) => !row.same)
  if (differs) return refused({ code: 'POST_DIFFERS', row: differs })
  if (!trial.same) return refused({ code: 'POST_WRITES_OTHERS', others: trial.others ?? [] })
  const old = await control.table(key)
  if (!old.ok) return refuse(said(old.error))
  const noted = write(work, null, (tx) => {
    const marked = run.sent || updateLoadRun(tx.db, run, { ...run, sent: true })
    must(marked, { code: 'CHANGED', what: 'load', serial: run.serial })
  })
  if (!noted.ok) return noted
  const sent = await control.run(key, handover.postText)
  if (!sent.ok) return refuse(said(sent.error))
  const held = await control.table(key)
  if (!held.ok) return refuse(said(held.error))
  // what it answered to the file, and what its table says a moment later
  const unsteady = otherChanges(sent.value, held.value, [])
  if (unsteady.length) return refused({ code: 'UNSTEADY', changes: unsteady })
  const check = compareTable(wanted, held.value, machine.unit)
  const wrong = check.rows.find((row) => !row.same)
  if (wrong) return refused({ code: 'READ_BACK', row: wrong })
  const others = otherChanges(old.value, held.value, wanted)
  if (others.length) return refused({ code: 'OTHERS_CHANGED', others })
  const own = controlT(run, machine)
  const assigned = await control.assign(key, run.pocket, own)
  if (!assigned.ok) return refuse(said(assigned.error))
  const state = await control.state(key)
  if (!state.ok) return refuse(said(state.error))
  const there = run.pocket === SPINDLE ? state.value.spindle : (state.value.magazine.get(run.pocket) ?? null)
  if (state.value.listed && there !== own) return refuse({ code: 'LISTED_WRONG', there, own, pocket: run.pocket })
  const last = await control.table(key)
  if (!last.ok) return refuse(said(last.error))
  const moved = otherChanges(held.value, last.value, [])
  if (moved.length) return refused({ code: 'UNSTEADY', changes: moved })
  return ok({ rows: check.rows, before: old.value.get(register) ?? {}, after: held.value.get(register) ?? {} })
}

function record(
  work: Work,
  claim: Claim,
  { run, machine, assembly, handover }: InHand,
  { rows, before, after }: Written,
): Result<Loaded, Refusal> {
  const { serial } = assembly
  const changed: Refusal = { code: 'CHANGED', what: 'loaded tool', serial }
  const state = nextState(assembly.state, 'load')
  if (!state) return refuse(changed)
  const { pocket } = run
  const { issue, t } = handover.values
  return write(
    work,
    {
      entry: { code: 'LOADED', machine: machine.name, pocket, issue, typed: isTyped(machine) },
      serial,
      t,
      machine: machine.key,
      before,
      after,
    },
    (tx) => {
      claim.must(tx)
      must(deleteLoadRun(tx.db, run.id), changed)
      // the wear went into the control with its figures
      must(moveAssembly(tx.db, assembly, { state, pocket, machine: machine.key, wear: null }), changed)
      return { pocket, rows, before }
    },
    { code: 'POCKET_TAKEN', pocket },
  )
}
