/** Two hundred simulated boring heads: how close the second test cut comes, held against the truth. */
import { secondCut } from '../test/support/head-room'

const HEADS = 200
const CLOSE_MM = 0.01
const LEAST_SHARE = 0.95

export function headsBench(): void {
  const off = Array.from({ length: HEADS }, (_, i) => Math.abs(secondCut(i + 1)))
  const close = off.filter((mm) => mm <= CLOSE_MM).length
  const poor = close < LEAST_SHARE * HEADS
  console.log(
    `\n${poor ? '!' : ' '} ${close} of ${HEADS} boring heads within ${CLOSE_MM} mm at the second test cut (aim ${LEAST_SHARE * HEADS}); worst ${Math.max(...off).toFixed(4)} mm`,
  )
}
