/** A point in the plane of the light: x from the spindle axis, z from the gauge line (mm, or any one unit throughout). */
export interface Point {
  readonly x: number
  readonly z: number
}

/** Unit vector at `angleRad` from +X, anticlockwise (towards +Z). */
export const direction = (angleRad: number): Point => ({ x: Math.cos(angleRad), z: Math.sin(angleRad) })
