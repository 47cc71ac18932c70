import type { Heavy } from '@/codecs/heavy'
import { isGood, type BalanceFit, type FitStep } from '@/core/balance'
import { fail, ok, type Result } from '@/core/units'
import { currentHandover } from '@/db/handover/read'
import { voidCurrent } from '@/db/handover/write'
import { dropBalanceWork, insertResult, putBalanceWork, putHolderBalance, voidResults } from '@/db/balance/write'
import type { HolderBalance } from '@/db/balance/read'
import { lyingOf } from '@/db/stock/read'
import type { Refusal } from '../refusals'
import { bookInside, moves } from '../store/book'
import type { Work } from '../work'
import { must, need, refuser, write, type Writing } from '../write'
import { judgedFor, presentRound, readBalance, type BalanceSheet, type BalanceWork } from './balance-sheet'
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
  return ok(sheet)
}

const keepWork = (tx: Writing, { assembly, version }: BalanceSheet, next: BalanceWork): null => {
  must(putBalanceWork(tx.db, assembly.id, next, version), changed(assembly.serial))
  return null
}

/** What a tool is balanced for, typed. What was found already is judged by it anew. */
export async function setWanted(
  work: Work,
  heavy: Pick<Heavy, 'fits'>,
  given: { readonly serial: string; readonly grade: number; readonly rpm: number; readonly version: number },
): Promise<Result<null, Refusal>> {
  const read = opened(work, given)
  if (!read.ok) return read
  const sheet = read.value
  const { assembly, work: was, slowest } = sheet
  const { grade, rpm, serial } = given
  if (slowest && rpm > slowest.rpm)
    return refuser(work, 'Balance', { serial })({ code: 'ABOVE_WEAKEST', rpm, most: slowest.rpm, part: slowest.part })
  if (was.done > 0) return fail({ code: 'FIT_UNDER_WAY', left: (was.fits[was.chosen]?.steps.length ?? 0) - was.done })
  const judged = judgedFor(sheet, { grade, rpm })
  const task = fitsTask(work.db, judged)
  const fits = task ? await heavy.fits(task) : ok([])
  if (!fits.ok) return fits
  const entry = { code: 'BALANCE_WANTED', grade, rpm } as const
  return write(work, { entry, serial, t: assembly.t, machine: assembly.machine }, (tx) =>
    keepWork(tx, sheet, { ...was, wanted: { grade, rpm }, fits: fits.value, chosen: 0 }),
  )
}

/** Which correction is done; not once its first step is. */
export function chooseFit(
  work: Work,
  given: { readonly serial: string; readonly fit: number; readonly version: number },
): Result<null, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { work: was } = sheet.value
  if (was.done > 0) return fail({ code: 'FIT_UNDER_WAY', left: was.fits[was.chosen].steps.length - was.done })
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
      const { plane, deg, depthMm } = step
      return { ...has, holes: [...has.holes, { plane, deg, depthMm }] }
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
  must(most !== undefined && most.count > 0, { code: 'NO_SCREW', part: step.part })
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
  if (voidResults(tx.db, assembly.id, tx.now, { code: 'BALANCED_AGAIN' }) === 0) return
  if (currentHandover(tx.db, assembly.serial)) voidCurrent(tx.db, assembly.serial, tx.now, { code: 'BALANCED_AGAIN' })
}

/** What was found in the last round is what the tool is. */
export function saveBalance(
  work: Work,
  given: { readonly serial: string; readonly version: number },
): Result<{ readonly grade: number; readonly goodToRpm: number }, Refusal> {
  const sheet = opened(work, given)
  if (!sheet.ok) return sheet
  const { assembly, work: was, wanted, tool, slowest, runs, calibration } = sheet.value
  const present = presentRound(sheet.value)
  const { serial, t, machine } = assembly
  if (!present || !wanted || !tool || was.done > 0) return fail({ code: 'NOT_BALANCED', serial })
  const { standing } = present
  const goodToRpm = Math.min(standing.goodToRpm, slowest?.rpm ?? MOST_RPM)
  const entry = { code: 'BALANCED', grade: standing.grade, wanted, goodToRpm, good: isGood(standing, wanted), by: null } as const
  return write(work, { entry, serial, t, machine }, (tx) => {
    voidNow(tx, sheet.value)
    insertResult(tx.db, {
      assemblyId: assembly.id,
      serial,
      at: tx.now,
      personId: tx.person.id,
      wanted,
      grade: standing.grade,
      rpm: wanted.rpm,
      goodToRpm,
      massKg: tool.massKg,
      standing,
      elsewhere: null,
      runs: runs.filter((run) => run.round === was.round).map(({ id }) => id),
      calibration: calibration?.id ?? null,
    })
    // whoever measures again begins with a new round
    must(
      putBalanceWork(tx.db, assembly.id, { ...was, round: was.round + 1, fits: [], chosen: 0, done: 0 }, sheet.value.version),
      changed(serial),
    )
    return { grade: standing.grade, goodToRpm }
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
  if (assembly.state === 'loaded') return fail({ code: 'IN_A_MACHINE', serial, machine: machine ?? '' })
  if (slowest && rpm > slowest.rpm)
    return refuser(work, 'Balance', { serial, t, machine })({ code: 'ABOVE_WEAKEST', rpm, most: slowest.rpm, part: slowest.part })
  const wanted = sheet.wanted ?? { grade, rpm }
  // one residual unbalance is a lower grade at a lower speed
  const goodToRpm = Math.min((rpm * wanted.grade) / grade, slowest?.rpm ?? MOST_RPM)
  const entry = {
    code: 'BALANCED',
    grade,
    wanted: { grade, rpm },
    goodToRpm,
    good: (grade * wanted.rpm) / rpm <= wanted.grade,
    by,
  } as const
  return write(work, { entry, serial, t, machine }, (tx) => {
    voidNow(tx, sheet)
    insertResult(tx.db, {
      assemblyId: assembly.id,
      serial,
      at: tx.now,
      personId: tx.person.id,
      wanted,
      grade,
      rpm,
      goodToRpm,
      massKg: sheet.tool?.massKg ?? null,
      standing: null,
      elsewhere: by,
      runs: [],
      calibration: null,
    })
    return null
  })
}

/** Begins anew: runs stay in the record, what was put in stays in the holder. */
export function dropBalance(work: Work, serial: string): Result<null, Refusal> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { assembly, runs } = sheet
  const round = 1 + Math.max(-1, ...runs.map((run) => run.round))
  return write(work, { entry: { code: 'BALANCE_DROPPED' }, serial, t: assembly.t, machine: assembly.machine }, (tx) => {
    dropBalanceWork(tx.db, assembly.id)
    if (round > 0) putBalanceWork(tx.db, assembly.id, { wanted: sheet.work.wanted, round, fits: [], chosen: 0, done: 0 }, 0)
    return null
  })
}
