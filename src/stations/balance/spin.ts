import type { Heavy } from '@/codecs/heavy'
import { inStep } from '@/core/balance'
import { fail, ok, type Result } from '@/core/units'
import { spindleUse, type BalanceRun, type SpindleUse } from '@/db/balance/read'
import { insertRun, putBalanceWork, putSpindleUse } from '@/db/balance/write'
import type { BalancingSpindle } from '@/devices/spindle/port'
import { practiceOf } from '../practice'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, putFile, refuser, withFile, write } from '../write'
import { fitUnderWay, presentRound, readBalance, refuseBalance, withRun, type BalanceWork } from './balance-sheet'
import { fitsTask } from './fits-task'

/** Where runs are kept. */
export interface SpinFiles {
  put(serial: string, at: string, zip: Uint8Array): string
  drop(place: string): void
}

/** A few hundred turns, so that noise and hum are kept out. */
const TURNS = 300
const changed = (serial: string): Refusal => ({ code: 'CHANGED', what: 'tool', serial })

/** Starts the spindle with a tool in it. */
export async function startSpin(
  work: Work,
  spindle: BalancingSpindle,
  { serial, seat, version }: { readonly serial: string; readonly seat: 0 | 180; readonly version: number },
): Promise<Result<null, Refusal>> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { assembly } = sheet
  const refuse = refuser(work, 'Balance', { serial, t: assembly.t, machine: assembly.machine })
  const against = refuseBalance(work.db, sheet, work.now)
  if (against) return refuse(against)
  if (sheet.version !== version) return fail(changed(serial))
  const under = fitUnderWay(sheet.work)
  if (under) return refuse(under)
  const state = await spindle.state()
  if (!state.ok) return fail({ code: 'SPINDLE', error: state.error })
  if (state.value.coupling !== assembly.coupling)
    return refuse({ code: 'SPINDLE_ADAPTER', has: state.value.coupling, needs: assembly.coupling })
  return begin(work, spindle, { assemblyId: assembly.id, seat, round: sheet.work.round })
}

/**
 * Orders a run and notes whose it is. Before that it is nobody's: were the server to die in between, nobody could take the run of one
 * tool for another's.
 */
export async function begin(work: Work, spindle: BalancingSpindle, use: SpindleUse): Promise<Result<null, Refusal>> {
  const belongsTo = (whose: SpindleUse | null) =>
    write(work, null, (tx) => {
      putSpindleUse(tx.db, whose)
      return null
    })
  const state = await spindle.state()
  if (!state.ok) return fail({ code: 'SPINDLE', error: state.error })
  if (state.value.phase !== 'standing') return fail({ code: 'SPINDLE', error: { code: 'TURNING' } })
  const freed = belongsTo(null)
  if (!freed.ok) return freed
  const started = await spindle.start({ rpm: practiceOf(work.db).balanceRpm, turns: TURNS })
  if (!started.ok) return fail({ code: 'SPINDLE', error: started.error })
  const noted = belongsTo(use)
  if (!noted.ok) await spindle.stop()
  return noted
}

/** What the spindle recorded, in step with it; as a file too. A run that cannot be used is nobody's any more: it is made again. */
export async function taken(
  work: Work,
  spindle: BalancingSpindle,
  heavy: Pick<Heavy, 'spin'>,
): Promise<Result<Pick<BalanceRun, 'answers' | 'rpm'> & { readonly zip: Uint8Array }, Refusal>> {
  const useless = (refusal: Refusal) => {
    const freed = write(work, null, (tx) => putSpindleUse(tx.db, null))
    return freed.ok ? fail(refusal) : freed
  }
  const spin = await spindle.record()
  if (!spin.ok)
    return spin.error.code === 'UNREACHABLE' || spin.error.code === 'TURNING'
      ? fail({ code: 'SPINDLE', error: spin.error })
      : useless({ code: 'SPINDLE', error: spin.error })
  const found = inStep(spin.value)
  if (!found.ok) return useless({ code: 'SPIN', fault: found.error })
  const zip = await heavy.spin(spin.value)
  return zip.ok ? ok({ ...found.value, zip: zip.value }) : zip
}

/** Takes a run of a tool; once both seats are in, what was found and how it can be corrected is kept with it. */
export async function takeSpin(
  work: Work,
  spindle: BalancingSpindle,
  heavy: Pick<Heavy, 'spin' | 'fits'>,
  files: SpinFiles,
  { serial, version }: { readonly serial: string; readonly version: number },
): Promise<Result<{ readonly grade: number | null }, Refusal>> {
  const sheet = readBalance(work.db, serial)
  if (!sheet) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const { assembly } = sheet
  const use = spindleUse(work.db)
  if (use?.assemblyId !== assembly.id || use.round !== sheet.work.round) return fail({ code: 'OTHER_RUN' })
  if (sheet.version !== version) return fail(changed(serial))
  const run = await taken(work, spindle, heavy)
  if (!run.ok) return run
  const { answers, rpm, zip } = run.value
  const fresh = {
    assemblyId: assembly.id,
    serial,
    round: use.round,
    seat: use.seat,
    at: work.now,
    rpm,
    answers,
    calibration: sheet.calibration?.id ?? null,
  }
  const after = withRun(sheet, { ...fresh, id: 0, who: '', evidence: '' })
  const found = presentRound(after)
  const task = fitsTask(work.db, after)
  const fits = task ? await heavy.fits(task) : ok([])
  if (!fits.ok) return fits
  const place = putFile(() => files.put(serial, work.now, zip))
  if (!place.ok) return place
  const entry = {
    code: 'SPUN',
    seat: use.seat,
    round: use.round,
    grade: found?.standing.grade ?? null,
    rpm: sheet.wanted?.rpm ?? rpm,
  } as const
  const noted = { entry, serial, t: assembly.t, machine: assembly.machine } as const
  return withFile(
    () => files.drop(place.value),
    () =>
      write(work, noted, (tx) => {
        insertRun(tx.db, { ...fresh, personId: tx.person.id, evidence: place.value })
        putSpindleUse(tx.db, null)
        const next: BalanceWork = { ...sheet.work, fits: fits.value, chosen: 0, done: 0 }
        must(putBalanceWork(tx.db, assembly.id, next, sheet.version), changed(serial))
        return { grade: found?.standing.grade ?? null }
      }),
  )
}
