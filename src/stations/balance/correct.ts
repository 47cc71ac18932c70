import type { Heavy } from '@/codecs/heavy'
import { isGood, type BalanceFit, type FitStep } from '@/core/balance'
import { nextState } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { moveAssembly } from '@/db/assembly/write'
import { voidCurrent } from '@/db/handover/write'
import type { BalanceResult, HolderBalance } from '@/db/balance/read'
import { insertResult, putBalanceWork, putHolderBalance, resetBalanceWork, voidResults } from '@/db/balance/write'
import { lyingOf } from '@/db/stock/read'
import type { Refusal } from '../refusals'
import { bookInside, moves } from '../store/book'
import type { Work } from '../work'
import { must, need, refuser, write, type Writing } from '../write'
import {
  fitUnderWay,
  judgedFor,
  presentRound,
  readBalance,
  refuseOut,
  type BalanceSheet,
  type BalanceWork,
} from './balance-sheet'
import { fitsTask } from './fits-task'

/** Faster than any spindle: a tool whose parts name no speed. */
const MOST_RPM = 200_000

const changed = (serial: string): Refusal => ({ code: 'CHANGED', what: 'tool', serial })

/** The sheet as the page had it, or why not. */
function opened(
  work: Work,
  { serial, version }: { readonly serial: string; readonly version: number },
): Result<BalanceSheet, Refusal> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  if (sheet.version !== version) return fail(changed(serial))
  const out = refuseOut(sheet.assembly)
  return out ? fail(out) : ok(sheet)
}

const keepWork = (tx: Writing, { assembly, version }: BalanceSheet, next: BalanceWork): null => {
  must(putBalanceWork(tx.db, assembly.id, next, version), changed(assembly.serial))
  return null
}

/** Corrections of what was found, once more; not while one is under way. */
async function fitsFor(work: Work, heavy: Pick<Heavy, 'fits'>, sheet: BalanceSheet): Promise<Result<BalanceWork, Refusal>> {
  const { work: was } = sheet
  const under = fitUnderWay(was)
  if (under) return fail(under)
  const task = fitsTask(work.db, sheet)
  const fits = task ? await heavy.fits(task) : ok([])
  return fits.ok ? ok({ ...was, fits: fits.value, chosen: 0 }) : fits
}

/** What a tool is balanced for, typed. What was found already is judged by it anew. */
export async function setWanted(
  work: Work,
  heavy: Pick<Heavy, 'fits'>,
  given: { readonly serial: string; readonly grade: number; readonly rpm: number; readonly version: number },
): Promise<Result<null, Refusal>> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { assembly, slowest } = sheet.value
  const { grade, rpm, serial } = given
  if (slowest && rpm > slowest.rpm)
    return refuser(work, 'Balance', { serial })({ code: 'ABOVE_WEAKEST', rpm, most: slowest.rpm, part: slowest.part })
  const next = await fitsFor(work, heavy, judgedFor(sheet.value, { grade, rpm }))
  if (!next.ok) return next
  const entry = { code: 'BALANCE_WANTED', grade, rpm } as const
  return write(work, { entry, serial, t: assembly.t, machine: assembly.machine }, (tx) =>
    keepWork(tx, sheet.value, { ...next.value, wanted: { grade, rpm } }),
  )
}

/** With what is in the drawer now. */
export async function computeFits(
  work: Work,
  heavy: Pick<Heavy, 'fits'>,
  given: { readonly serial: string; readonly version: number },
): Promise<Result<null, Refusal>> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const next = await fitsFor(work, heavy, sheet.value)
  return next.ok ? write(work, null, (tx) => keepWork(tx, sheet.value, next.value)) : next
}

/** Which correction is done; not once its first step is. */
export function chooseFit(
  work: Work,
  given: { readonly serial: string; readonly fit: number; readonly version: number },
): Result<null, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { work: was } = sheet.value
  const under = fitUnderWay(was)
  if (under) return fail(under)
  if (!was.fits[given.fit]) return fail({ code: 'NOTHING_TO_CORRECT', serial: given.serial })
  return write(work, null, (tx) => keepWork(tx, sheet.value, { ...was, chosen: given.fit }))
}

/** What a holder has once a step is done. */
function withStep(has: HolderBalance, step: FitStep): HolderBalance {
  switch (step.type) {
    case 'screw in': {
      const { plane, hole, part, massG } = step
      return { ...has, screws: [...has.screws.filter((s) => s.plane !== plane || s.hole !== hole), { plane, hole, part, massG }] }
    }
    case 'screw out':
      return { ...has, screws: has.screws.filter((s) => s.plane !== step.plane || s.hole !== step.hole) }
    case 'ring': {
      const { plane, ring, deg } = step
      return { ...has, rings: [...has.rings.filter((r) => r.plane !== plane || r.ring !== ring), { plane, ring, deg }] }
    }
    case 'drill': {
      const { plane, deg, depthMm, removedG } = step
      return { ...has, holes: [...has.holes, { plane, deg, depthMm, removedG }] }
    }
    case 'add': {
      const { plane, deg, massG } = step
      return { ...has, added: [...has.added, { plane, deg, massG }] }
    }
  }
}

/** A screw leaves the drawer, or goes back into it. */
function bookStep(tx: Writing, serial: string, step: FitStep): void {
  if (step.type !== 'screw in' && step.type !== 'screw out') return
  const lying = lyingOf(tx.db, step.part)
  const [most] = [...lying].sort((a, b) => b.count - a.count)
  if (step.type === 'screw out') {
    need(bookInside(tx, moves.takeOut(step.part, 1, serial, most?.place ?? null)))
    return
  }
  must(most !== undefined && most.count > 0, { code: 'NO_SCREW', massG: step.massG })
  need(bookInside(tx, moves.buildIn(step.part, 1, serial, { place: most.place })))
}

/** The next step is done: written down, booked, and after the last one the tool is measured again. */
export function confirmStep(
  work: Work,
  given: { readonly serial: string; readonly step: number; readonly version: number },
): Result<{ readonly left: number }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { assembly, work: was, has } = sheet.value
  const fit: BalanceFit | undefined = was.fits[was.chosen]
  const step = fit?.steps[was.done]
  if (!step || given.step !== was.done) return fail(changed(given.serial))
  const left = fit.steps.length - was.done - 1
  const { serial, t, machine } = assembly
  return write(work, { entry: { code: 'BALANCE_STEP', step }, serial, t, machine }, (tx) => {
    bookStep(tx, serial, step)
    must(putHolderBalance(tx.db, serial, withStep(has, step)), { code: 'CHANGED', what: 'holder', serial })
    voidNow(tx, sheet.value)
    keepWork(
      tx,
      sheet.value,
      left > 0 ? { ...was, done: was.done + 1 } : { ...was, round: was.round + 1, fits: [], chosen: 0, done: 0 },
    )
    return { left }
  })
}

/** What was balanced, and what was handed over with it, is not so any more. */
function voidNow(tx: Writing, { assembly }: BalanceSheet): void {
  const { id, serial, state } = assembly
  if (voidResults(tx.db, id, tx.now, { code: 'BALANCED_AGAIN' }) === 0) return
  if (voidCurrent(tx.db, serial, tx.now, { code: 'BALANCED_AGAIN' }) === null) return
  const next = nextState(state, 'void')
  if (next) must(moveAssembly(tx.db, assembly, { state: next }), changed(serial))
}

/** What a tool is from now on, in place of whatever was known before. */
function keepResult(
  tx: Writing,
  sheet: BalanceSheet,
  found: Pick<BalanceResult, 'wanted' | 'grade' | 'rpm' | 'goodToRpm' | 'standing' | 'elsewhere' | 'runs' | 'calibration'>,
): void {
  const { assembly, tool } = sheet
  voidNow(tx, sheet)
  const { id: assemblyId, serial } = assembly
  const known = { assemblyId, serial, at: tx.now, personId: tx.person.id, massKg: tool?.massKg ?? null }
  insertResult(tx.db, { ...known, ...found })
}

/** What was found in the last round is what the tool is. */
export function saveBalance(
  work: Work,
  given: { readonly serial: string; readonly version: number },
): Result<{ readonly grade: number; readonly goodToRpm: number }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { assembly, work: was, wanted, slowest, calibration } = sheet.value
  const present = presentRound(sheet.value)
  const { serial, t, machine } = assembly
  if (!present || !wanted || was.done > 0) return fail({ code: 'NOT_BALANCED', serial })
  const { standing } = present
  const { grade } = standing
  const goodToRpm = Math.min(standing.goodToRpm, slowest?.rpm ?? MOST_RPM)
  const entry = { code: 'BALANCED', grade, wanted, goodToRpm, good: isGood(standing, wanted), by: null } as const
  return write(work, { entry, serial, t, machine }, (tx) => {
    keepResult(tx, sheet.value, {
      wanted,
      grade,
      rpm: wanted.rpm,
      goodToRpm,
      standing,
      elsewhere: null,
      runs: present.runs,
      calibration: calibration?.id ?? null,
    })
    // whoever measures again begins with a new round
    keepWork(tx, sheet.value, { ...was, round: was.round + 1, fits: [], chosen: 0, done: 0 })
    return { grade, goodToRpm }
  })
}

/** What somebody else found, typed; marked as such. */
export function typeBalance(
  work: Work,
  { serial, grade, rpm, by }: { readonly serial: string; readonly grade: number; readonly rpm: number; readonly by: string },
): Result<null, Refusal> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { assembly, slowest } = sheet
  const { t, machine } = assembly
  const out = refuseOut(assembly)
  if (out) return fail(out)
  if (slowest && rpm > slowest.rpm)
    return refuser(work, 'Balance', { serial, t, machine })({ code: 'ABOVE_WEAKEST', rpm, most: slowest.rpm, part: slowest.part })
  const wanted = sheet.wanted ?? { grade, rpm }
  // one residual unbalance is a lower grade at a lower speed
  const goodToRpm = Math.min((rpm * wanted.grade) / grade, slowest?.rpm ?? MOST_RPM)
  const good = (grade * wanted.rpm) / rpm <= wanted.grade
  const entry = { code: 'BALANCED', grade, wanted: { grade: wanted.grade, rpm }, goodToRpm, good, by } as const
  return write(work, { entry, serial, t, machine }, (tx) => {
    keepResult(tx, sheet, { wanted, grade, rpm, goodToRpm, standing: null, elsewhere: by, runs: [], calibration: null })
    return null
  })
}

/** Begins anew: runs stay in the record, what was put in stays in the holder. */
export function dropBalance(work: Work, serial: string): Result<null, Refusal> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { assembly } = sheet
  return write(work, { entry: { code: 'BALANCE_DROPPED' }, serial, t: assembly.t, machine: assembly.machine }, (tx) => {
    resetBalanceWork(tx.db, assembly.id)
    return null
  })
}
