/** A picture for the page: grey levels and what was found in it, in pixels. */
import { mmToPixel, type View } from '@/core/outline'
import type { FrameMeasurement } from '@/core/shapes'
import type { BenchPicture } from '@/devices/bench/port'

export interface Shown {
  readonly width: number
  readonly height: number
  readonly grey: Uint8Array
  readonly spindleDeg: number
  readonly edge: number | null
  readonly focus: number | null
  /** The outline as u,v pairs. */
  readonly outline: Float32Array
  readonly x: { readonly u: number; readonly v: number; readonly mm: number } | null
  readonly z: { readonly u: number; readonly v: number; readonly mm: number } | null
  readonly debris: readonly { readonly u: number; readonly v: number; readonly highMm: number; readonly sidePx: number }[]
}

export function shownOf(picture: BenchPicture, view: View, found: FrameMeasurement | null, edge: number | null): Shown {
  const points = found?.outline ?? []
  const outline = new Float32Array(2 * points.length)
  points.forEach((p, i) => {
    const { u, v } = mmToPixel(view, p)
    outline[2 * i] = u
    outline[2 * i + 1] = v
  })
  const facing = (axis: 'x' | 'z', value: number) => {
    const near = points.filter((p) => Math.abs(p[axis] - value) < 2 * view.mmPerPixel[axis])
    const other = axis === 'x' ? 'z' : 'x'
    const middle = near.length ? near.reduce((s, p) => s + p[other], 0) / near.length : axis === 'x' ? view.centreZ : view.centreX
    return { ...mmToPixel(view, axis === 'x' ? { x: value, z: middle } : { x: middle, z: value }), mm: value }
  }
  return {
    width: view.width,
    height: view.height,
    grey: picture.frame.data,
    spindleDeg: picture.spindleDeg,
    edge,
    focus: found?.focus ?? null,
    outline,
    x: found?.x ? facing('x', found.x.value) : null,
    z: found?.z ? facing('z', found.z.value) : null,
    debris: (found?.debris ?? []).map((d) => ({
      ...mmToPixel(view, d),
      highMm: d.high,
      sidePx: Math.max(26, (2.4 * d.high) / view.mmPerPixel.x + 16),
    })),
  }
}
