export const degToRad = (deg: number): number => (deg * Math.PI) / 180
export const radToDeg = (rad: number): number => (rad * 180) / Math.PI

/** The same direction in [0, 360). */
export function normDeg(deg: number): number {
  const turned = deg % 360
  return turned < 0 ? turned + 360 : turned
}
