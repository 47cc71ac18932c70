/** Where a picture was taken: the only place where pixels become millimetres. */
import type { Point } from '../geometry'
import type { EdgePoint, Pixel } from '../imaging'

export interface View {
  readonly width: number
  readonly height: number
  /** Millimetres in a pixel, across and up; they may differ. */
  readonly mmPerPixel: { readonly x: number; readonly z: number }
  /** Machine coordinates of the middle of the picture, mm. */
  readonly centreX: number
  readonly centreZ: number
}

/** A point of the outline in mm, with its outward unit normal and its standard deviation along it. */
export interface OutlinePoint extends Point {
  readonly nx: number
  readonly nz: number
  readonly sigmaMm: number
  readonly piece: number
}

export const pixelToMm = (view: View, { u, v }: Pixel): Point => ({
  x: view.centreX + (u - view.width / 2) * view.mmPerPixel.x,
  z: view.centreZ + (view.height / 2 - v) * view.mmPerPixel.z,
})

export const mmToPixel = (view: View, { x, z }: Point): Pixel => ({
  u: (x - view.centreX) / view.mmPerPixel.x + view.width / 2,
  v: view.height / 2 - (z - view.centreZ) / view.mmPerPixel.z,
})

/** One side of an equal-area square pixel, mm. */
export const pixelMm = (view: View): number => Math.sqrt(view.mmPerPixel.x * view.mmPerPixel.z)

/** A normal turns as a gradient does: each part is divided by its own scale. */
export function outlinePoint(view: View, p: EdgePoint): OutlinePoint {
  const gx = p.nu / view.mmPerPixel.x
  const gz = -p.nv / view.mmPerPixel.z
  const g = Math.hypot(gx, gz)
  const { x, z } = pixelToMm(view, p)
  return { x, z, nx: gx / g, nz: gz / g, sigmaMm: p.sigma / g, piece: p.piece }
}
