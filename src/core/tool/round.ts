/** Places and stretches round an axis, as people type them; degrees. */
import { normDeg } from '../units'

const parts = (text: string): string[] => text.split(/[\s,;°]+/).filter(Boolean)

/** @example anglesOf('0 60 120') is [0, 60, 120]; null where something in it is no angle, or one stands twice */
export function anglesOf(text: string): readonly number[] | null {
  const angles = parts(text).map(Number)
  if (angles.length === 0 || !angles.every((deg) => Number.isFinite(deg) && deg >= 0 && deg < 360)) return null
  return new Set(angles).size === angles.length ? angles : null
}

export interface Arc {
  readonly from: number
  readonly to: number
}

/** @example arcsOf('40-80 350-10'); null where something in it is no stretch */
export function arcsOf(text: string): readonly Arc[] | null {
  const arcs = parts(text).map((part) => /^(\d+(?:\.\d+)?)[-–](\d+(?:\.\d+)?)$/.exec(part))
  if (arcs.length === 0 || arcs.some((arc) => arc === null)) return null
  const found = arcs.map((arc) => ({ from: Number(arc![1]), to: Number(arc![2]) }))
  return found.every(({ from, to }) => from < 360 && to <= 360 && normDeg(to - from) > 0) ? found : null
}
