/** A point in the plane of the light: x from the spindle axis, z from the gauge line (mm, or any one unit throughout). */
export interface Point {
  readonly x: number
  readonly z: number
}

export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.z - b.z)

/** Unit vector at `angleRad` from +X, anticlockwise (towards +Z). */
export const direction = (angleRad: number): Point => ({ x: Math.cos(angleRad), z: Math.sin(angleRad) })

export const dot = (a: Point, b: Point): number => a.x * b.x + a.z * b.z
