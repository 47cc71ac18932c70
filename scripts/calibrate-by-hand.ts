/** The balancing spindle calibrated as hands do it: rotor in, mass in its plane, guard shut, six runs. */
import { heavyHere } from '@/codecs/heavy'
import type { Db } from '@/db/connection'
import { simulatedSpindle } from '@/devices/spindle/simulated'
import { loadRotor, ROTOR } from '@/runtime/unbalance-ticket'
import {
  beginCalibration,
  CALIBRATION_RUNS,
  readCalibration,
  startCalibrationSpin,
  takeCalibrationSpin,
} from '@/stations/balance/calibrate'
import type { SpinFiles } from '@/stations/balance/spin'
import type { Work } from '@/stations/work'
import type { Result } from '@/core/units'

const MASS = { rotor: 'R-1', backMm: 25, frontMm: 95, trialGmm: 150 }

interface Room {
  readonly db: Db
  readonly spindle: ReturnType<typeof simulatedSpindle>
  readonly files: SpinFiles
  work(): Work
  /** Lets the time of a run pass. */
  wait(): void
}

/** @throws when a step is refused */
export async function calibrateByHand({ db, spindle, files, work, wait }: Room): Promise<void> {
  const version = () => readCalibration(db).version
  must(beginCalibration(work(), { ...MASS, version: version() }))
  for (const { load, seat } of CALIBRATION_RUNS) {
    const mass = { zMm: load === 'back' ? MASS.backMm : MASS.frontMm, gmm: MASS.trialGmm, deg: load === 'back' ? 0 : 90 }
    loadRotor(db, load === 'alone' ? null : mass)
    await clamp(spindle, ROTOR, seat)
    must(await startCalibrationSpin(work(), spindle, version()))
    wait()
    must(await takeCalibrationSpin(work(), spindle, heavyHere, files, version()))
  }
}

/** Puts a tool, or the rotor, into the spindle and shuts the guard. */
export async function clamp({ hands }: Room['spindle'], serial: string, seat: 0 | 180): Promise<void> {
  await hands.guard('open')
  await hands.put(serial, seat)
  await hands.guard('shut')
}

function must<E>(result: Result<unknown, E>): void {
  if (!result.ok) throw new Error(`calibrating: ${JSON.stringify(result.error)}`)
}
