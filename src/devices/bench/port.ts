/**
 * The optical bench: a spindle that turns the tool, a carriage that moves the camera along X (from the spindle axis)
 * and Z (from the gauge line), and a back-lit camera. A driver for a real bench stands behind this same interface.
 */
import type { Frame } from '@/core/imaging'

export interface BenchPicture {
  readonly frame: Frame
  /** Carriage at the moment of the picture: machine coordinates of its middle, mm. */
  readonly centreX: number
  readonly centreZ: number
  /** Turn of the spindle, degrees, anticlockwise seen from the cutting end, 0 at the orientation mark. */
  readonly spindleDeg: number
}

export interface BenchFacts {
  readonly widthPx: number
  readonly heightPx: number
  /** Calibrated scale, across and up. */
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  /** Farthest carriage positions, mm. */
  readonly reach: { readonly x: number; readonly z: number }
}

export interface Bench {
  readonly facts: BenchFacts
  /** Turns the spindle; resolves when it stands. */
  turnTo(spindleDeg: number): Promise<void>
  /** Moves the carriage; resolves when it stands. */
  moveTo(centreX: number, centreZ: number): Promise<void>
  /** Takes one picture of what is in view now. */
  grab(): Promise<BenchPicture>
}

/** The bench that the tool room has. */
export const BENCH_FACTS: BenchFacts = {
  widthPx: 640,
  heightPx: 480,
  mmPerPixel: { x: 0.01, z: 0.01 },
  reach: { x: 120, z: 420 },
}
