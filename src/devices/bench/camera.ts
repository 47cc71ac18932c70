/** A camera that stands still, as a bench: hands turn the tool; it is calibrated on a pin. */
import type { Frame } from '@/core/imaging'
import type { Bench } from './port'

/** What the browser's camera shows now, in grey. */
export type TakeFrame = () => Promise<Frame>

export interface CameraPlace {
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  /** What the middle of its picture is, mm from the spindle's axis and from the gauge line. */
  readonly centreX: number
  readonly centreZ: number
}

/** Pictures averaged into one: a camera of the browser is noisy. */
export const AVERAGED = 6

/** The mean of several pictures; all of one size. */
export async function averaged(take: TakeFrame, count = AVERAGED): Promise<Frame> {
  const first = await take()
  const sum = Float64Array.from(first.data)
  for (let k = 1; k < count; k++) {
    const { data } = await take()
    for (let i = 0; i < sum.length; i++) sum[i] += data[i]
  }
  return { ...first, data: Uint8Array.from(sum, (s) => Math.round(s / count)) }
}

export function cameraBench(
  take: TakeFrame,
  size: { readonly width: number; readonly height: number },
  place: CameraPlace,
): Bench {
  let spindleDeg = 0
  return {
    facts: {
      widthPx: size.width,
      heightPx: size.height,
      mmPerPixel: place.mmPerPixel,
      reach: { x: place.centreX, z: place.centreZ },
    },
    async turnTo(deg) {
      spindleDeg = deg
    },
    // it stands where it was calibrated
    async moveTo() {},
    async grab() {
      return { frame: await averaged(take), centreX: place.centreX, centreZ: place.centreZ, spindleDeg }
    },
  }
}
