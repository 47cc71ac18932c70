/** A tool room with a balancing spindle: calibrated, tools clamped, run and corrected as hands do it. */
import { heavyHere } from '@/codecs/heavy'
import { simulatedSpindle } from '@/devices/spindle/simulated'
import { reallyDo, unbalanceTicket } from '@/runtime/unbalance-ticket'
import { readBalance } from '@/stations/balance/balance-sheet'
import { confirmStep } from '@/stations/balance/correct'
import { startSpin, takeSpin } from '@/stations/balance/spin'
import { calibrateByHand, clamp } from '../../scripts/calibrate-by-hand'
import { later, valueOf, type ToolRoom } from './tool-room'

export function balanceRoom(made: ToolRoom, serial = 'BX00143') {
  let state: string | null = null
  let minutes = 300
  const spindle = simulatedSpindle({
    get: () => state,
    put: (next) => (state = next),
    nowMs: () => Date.parse(later(minutes)),
    truthOf: (what) => unbalanceTicket(made.db, what),
  })
  const work = () => made.as('ines', (minutes += 1))
  const version = () => readBalance(made.db, serial)?.version ?? 0
  const files = made.evidence
  return {
    ...made,
    spindle,
    work,
    version,
    files,
    wait: (by: number) => (minutes += by),
    clamp: (what: string, seat: 0 | 180) => clamp(spindle, what, seat),
    calibrate: () => calibrateByHand({ db: made.db, spindle, files, work, wait: () => (minutes += 1) }),
    async run(seat: 0 | 180) {
      await clamp(spindle, serial, seat)
      valueOf(await startSpin(work(), spindle, { serial, seat, version: version() }))
      minutes += 1
      return valueOf(await takeSpin(work(), spindle, heavyHere, files, { serial, version: version() }))
    },
    async runBoth() {
      await this.run(0)
      return this.run(180)
    },
    /** Does what is said, step by step, as hands do it. */
    correct() {
      for (let left = 1; left > 0;) {
        const { work: now } = readBalance(made.db, serial)!
        reallyDo(made.db, serial, now.fits[now.chosen].steps[now.done])
        left = valueOf(confirmStep(work(), { serial, step: now.done, version: version() })).left
      }
    },
  }
}
