import type { Heavy } from '@/codecs/heavy'
import { calibrate, parted, vectorOf, type Answer } from '@/core/balance'
import { fail, ok, type Result } from '@/core/units'
import { listCalibrations, spindleUse, spindleWork, type Calibration } from '@/db/balance/read'
import { insertCalibration, insertRun, putCalibrationWork, putSpindleUse } from '@/db/balance/write'
import type { Db } from '@/db/connection'
import type { BalancingSpindle } from '@/devices/spindle/port'
import type { Refusal } from '../refusals'
import type { Work } from '../work'
import { must, putFile, withFile, write } from '../write'
import { begin, taken, type SpinFiles } from './spin'

/** What is in the rotor for each run: nothing, a mass in the back plane at 0°, one in the front plane at 90°; each at both seats. */
export const CALIBRATION_RUNS = [
  { load: 'alone', seat: 0 },
  { load: 'alone', seat: 180 },
  { load: 'back', seat: 0 },
  { load: 'back', seat: 180 },
  { load: 'front', seat: 0 },
  { load: 'front', seat: 180 },
] as const
const BACK_DEG = 0
const FRONT_DEG = 90

/** Calibrations that are listed. */
const SHOWN = 10

export interface CalibrationWork {
  readonly rotor: string
  readonly zMm: readonly [number, number]
  readonly trialGmm: number
  readonly runs: readonly { readonly answers: readonly Answer[]; readonly rpm: number }[]
}

export interface CalibrationSheet {
  /** null: none is under way. */
  readonly work: CalibrationWork | null
  readonly version: number
  readonly last: readonly Calibration[]
}

export function readCalibration(db: Db): CalibrationSheet {
  const { body, version } = spindleWork(db, 'calibration')
  return { work: body as CalibrationWork | null, version, last: listCalibrations(db, SHOWN) }
}

const CHANGED: Refusal = { code: 'CHANGED', what: 'readings' }

export function beginCalibration(
  work: Work,
  given: {
    readonly rotor: string
    readonly backMm: number
    readonly frontMm: number
    readonly trialGmm: number
    readonly version: number
  },
): Result<null, Refusal> {
  const { rotor, backMm, frontMm, trialGmm, version } = given
  if (backMm === frontMm) return fail({ code: 'BAD_BALANCE', why: 'same height' })
  const next: CalibrationWork = { rotor, zMm: [backMm, frontMm], trialGmm, runs: [] }
  return write(work, null, (tx) => {
    must(putCalibrationWork(tx.db, next, version), CHANGED)
    return null
  })
}

export function dropCalibration(work: Work): Result<null, Refusal> {
  return write(work, null, (tx) => {
    putCalibrationWork(tx.db, null)
    return null
  })
}

export async function startCalibrationSpin(
  work: Work,
  spindle: BalancingSpindle,
  version: number,
): Promise<Result<null, Refusal>> {
  const { work: under, version: now } = readCalibration(work.db)
  const next = under && CALIBRATION_RUNS[under.runs.length]
  if (!next || now !== version) return fail(CHANGED)
  return begin(work, spindle, { assemblyId: null, seat: next.seat, round: under.runs.length })
}

/** Takes a run of the rotor; after the last the coefficients are computed and count from now on. */
export async function takeCalibrationSpin(
  work: Work,
  spindle: BalancingSpindle,
  heavy: Pick<Heavy, 'spin'>,
  files: SpinFiles,
  version: number,
): Promise<Result<{ readonly left: number }, Refusal>> {
  const { work: under, version: now } = readCalibration(work.db)
  const use = spindleUse(work.db)
  if (!under || now !== version) return fail(CHANGED)
  if (use?.assemblyId !== null || use.round !== under.runs.length) return fail({ code: 'OTHER_RUN' })
  const state = await spindle.state()
  if (!state.ok) return fail({ code: 'SPINDLE', error: state.error })
  const run = await taken(work, spindle, heavy)
  if (!run.ok) return run
  const { answers, rpm, zip } = run.value
  const next: CalibrationWork = { ...under, runs: [...under.runs, { answers, rpm }] }
  const left = CALIBRATION_RUNS.length - next.runs.length
  const made = left === 0 ? calibrated(next) : ok(null)
  if (!made.ok) return made
  const place = putFile(() => files.put('rotor', work.now, zip))
  if (!place.ok) return place
  const entry = made.value && ({ code: 'CALIBRATED', rotor: under.rotor, condition: made.value.condition } as const)
  return withFile(
    () => files.drop(place.value),
    () =>
      write(work, entry && { entry }, (tx) => {
        const person = { at: tx.now, personId: tx.person.id }
        const { seat, round } = use
        const run = { assemblyId: null, serial: under.rotor, round, seat, rpm, answers, calibration: null, evidence: place.value }
        insertRun(tx.db, { ...person, ...run })
        putSpindleUse(tx.db, null)
        if (made.value)
          insertCalibration(tx.db, {
            ...person,
            ...made.value,
            coupling: state.value.coupling,
            rpm,
            rotor: under.rotor,
            trialGmm: under.trialGmm,
          })
        must(putCalibrationWork(tx.db, made.value ? null : next, version), CHANGED)
        return { left }
      }),
  )
}

function calibrated({ runs, zMm, trialGmm }: CalibrationWork) {
  const [alone, back, front] = [0, 2, 4].map((first) =>
    runs[first].answers.map((answer, sensor) => parted(answer, runs[first + 1].answers[sensor])),
  )
  const none = { re: 0, im: 0 }
  const trial = [vectorOf({ gmm: trialGmm, deg: BACK_DEG }), vectorOf({ gmm: trialGmm, deg: FRONT_DEG })] as const
  const made = calibrate({ alone, first: back, second: front }, zMm, trial, [none, none])
  return made.ok ? made : fail<Refusal>({ code: 'CALIBRATION', fault: made.error })
}
