/** The scale of a camera without axes, from a pin of known size that stands upright on the spindle's axis. */
import { fail, ok, type Result } from '../units'
import type { Frame, LightError } from '../imaging'
import { readOutline } from './read-outline'
import { longestSide, sideOffsetSigma } from './sides'
import type { View } from './view'

/** Where a camera that does not move looks: from then on its pictures are in mm. */
export interface Calibration {
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  readonly centreX: number
  readonly centreZ: number
  /** One standard deviation of the scale, as a share of it. */
  readonly scaleSigma: number
  /** From the middle of its picture to the farther border, mm. */
  readonly halfFieldMm: number
}

export type PinError =
  | LightError
  /** Both flanks and the end of the pin must be in the picture. */
  | { readonly code: 'NOT_A_PIN' }
  /** Degrees between its flanks, or by which it leans. */
  | { readonly code: 'LEANS'; readonly deg: number }

/** Its diameter, and how far its end stands from the gauge line, mm, above 0. */
export interface Pin {
  readonly diameterMm: number
  readonly lengthMm: number
}

/** A pin that leans farther than this stands on dirt, degrees: its width is then still right to 1e-5. */
const MOST_LEAN_DEG = 0.25
const UP = Math.PI / 2

/** @param frame the pin, upright, its end and both flanks in view */
export function calibrateOnPin(frame: Frame, pin: Pin): Result<Calibration, PinError> {
  const px: View = { width: frame.width, height: frame.height, mmPerPixel: { x: 1, z: 1 }, centreX: 0, centreZ: 0 }
  const traced = readOutline(frame, px)
  if (!traced.ok) return traced
  const { points, touches } = traced.value
  const right = longestSide(points, -0.3, 0.3, 1)
  const left = longestSide(
    points.map((p) => ({ ...p, x: -p.x, nx: -p.nx })),
    -0.3,
    0.3,
    1,
  )
  const end = longestSide(points, UP - 0.3, UP + 0.3, 1)
  if (!right || !left || !end || touches.left || touches.right || touches.top) return fail({ code: 'NOT_A_PIN' })
  const lean = Math.max(Math.abs(right.angle), Math.abs(left.angle))
  const deg = (lean / Math.PI) * 180
  if (deg > MOST_LEAN_DEG) return fail({ code: 'LEANS', deg })
  const widthPx = right.offset + left.offset
  if (!(widthPx > 0)) return fail({ code: 'NOT_A_PIN' })
  const scale = pin.diameterMm / widthPx
  const sigmaPx = Math.hypot(sideOffsetSigma(right, { x: right.offset, z: 0 }), sideOffsetSigma(left, { x: left.offset, z: 0 }))
  return ok({
    mmPerPixel: { x: scale, z: scale },
    centreX: (-(right.offset - left.offset) / 2) * scale,
    centreZ: pin.lengthMm - end.offset * scale,
    scaleSigma: sigmaPx / widthPx,
    halfFieldMm: (Math.max(frame.width, frame.height) / 2) * scale,
  })
}
