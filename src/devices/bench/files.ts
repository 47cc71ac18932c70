/** Pictures that were taken before, as a bench: it goes to the picture that was taken nearest to where it is asked to go. */
import { fail, ok, type Result } from '@/core/units'
import type { Bench, BenchFacts, BenchPicture } from './port'

/** A degree of the spindle counts as much as this on the carriage, mm. */
const MM_PER_DEG = 1

/** @param pictures of one size */
export function filesBench(
  pictures: readonly BenchPicture[],
  mmPerPixel: BenchFacts['mmPerPixel'],
): Result<Bench, { readonly code: 'NO_PICTURE' }> {
  const first = pictures[0]
  if (!first) return fail({ code: 'NO_PICTURE' })
  let wanted = { x: first.centreX, z: first.centreZ, deg: first.spindleDeg }
  const apart = (p: BenchPicture) => {
    const turn = Math.abs(((((p.spindleDeg - wanted.deg) % 360) + 540) % 360) - 180)
    return Math.hypot(p.centreX - wanted.x, p.centreZ - wanted.z, MM_PER_DEG * turn)
  }
  return ok({
    facts: {
      widthPx: first.frame.width,
      heightPx: first.frame.height,
      mmPerPixel,
      reach: {
        x: Math.max(...pictures.map((p) => p.centreX)),
        z: Math.max(...pictures.map((p) => p.centreZ)),
      },
    },
    async turnTo(deg) {
      wanted = { ...wanted, deg }
    },
    async moveTo(x, z) {
      wanted = { ...wanted, x, z }
    },
    async grab() {
      return pictures.reduce((a, b) => (apart(b) < apart(a) ? b : a))
    },
  })
}
