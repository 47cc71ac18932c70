/** Where the imaginary tip of a turning tool is, as turning controls number it (common practice; from memory). */
export type TipOrientation = 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8 | 9

/** Orientation of the imaginary tip as turning controls number it: from the nose's centre towards (X, Z), each −1, 0 or 1. */
export const TIP_TOWARDS: Readonly<Record<TipOrientation, { readonly x: -1 | 0 | 1; readonly z: -1 | 0 | 1 }>> = {
  1: { x: 1, z: 1 },
  2: { x: 1, z: -1 },
  3: { x: -1, z: -1 },
  4: { x: -1, z: 1 },
  5: { x: 0, z: 1 },
  6: { x: 1, z: 0 },
  7: { x: 0, z: -1 },
  8: { x: -1, z: 0 },
  9: { x: 0, z: 0 },
}

/** How a turret holds its tools: whether the bench's axes run the machine's way, or the other way round. */
export interface Turret {
  readonly x: 1 | -1
  readonly z: 1 | -1
}

/** A tool on the bench points outwards and up; over the chuck it points to the axis and to the chuck (common practice, no source). */
export const USUAL_TURRET: Turret = { x: -1, z: -1 }

/** The orientation that a control knows, of a tip as it was seen on the bench. */
export function machineTip(seen: TipOrientation, turret: Turret): TipOrientation {
  const way = TIP_TOWARDS[seen]
  const found = Object.entries(TIP_TOWARDS).find(([, { x, z }]) => x === way.x * turret.x + 0 && z === way.z * turret.z + 0)
  return Number(found?.[0] ?? 9) as TipOrientation
}
