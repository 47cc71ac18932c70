/** The outline of one edge of a simulated tool in the edge's own plane: what it covers at each depth below its top. */
import { degToRad } from '@/core/units'

export type Profile =
  /** Flank, corner arc, end that falls towards the axis by the dish; the flank may fall back below the corner. */
  | { readonly type: 'corner'; readonly radiusMm: number; readonly dishDeg: number; readonly backDeg: number }
  | { readonly type: 'ball' }
  /** A point of two lips, and shoulders behind it, each to its own radius. */
  | { readonly type: 'point'; readonly pointDeg: number; readonly steps: readonly Step[] }
  /** A level end of this radius, then a cone with this angle to the axis out to the full radius. */
  | { readonly type: 'chamfer'; readonly tipRadiusMm: number; readonly sideDeg: number }

export interface Step {
  /** From the tip to where the shoulder begins, mm. */
  readonly depthMm: number
  readonly radiusMm: number
  /** Angle of the shoulder, as a point angle. */
  readonly coneDeg: number
}

/** What an edge covers at one depth: from and to, mm from the tool's axis. */
export interface Cover {
  from: number
  to: number
}

/** Fills `cover` with what an edge of this radius covers so far below its top (mm, at least 0). */
export type Outline = (radiusMm: number, depthMm: number, cover: Cover) => void

export function outlineOf(profile: Profile): Outline {
  switch (profile.type) {
    case 'ball':
      return (radiusMm, depthMm, cover) => {
        const below = radiusMm - depthMm
        cover.from = -Infinity
        cover.to = below > 0 ? Math.sqrt(radiusMm * radiusMm - below * below) : radiusMm
      }
    case 'point': {
      const slope = Math.tan(degToRad(profile.pointDeg / 2))
      const steps = profile.steps.map((s) => ({ ...s, slope: Math.tan(degToRad(s.coneDeg / 2)) }))
      return (radiusMm, depthMm, cover) => {
        cover.from = -Infinity
        cover.to = Math.min(radiusMm, depthMm * slope)
        for (const step of steps)
          if (depthMm > step.depthMm)
            cover.to = Math.min(step.radiusMm, Math.max(cover.to, radiusMm + (depthMm - step.depthMm) * step.slope))
      }
    }
    case 'chamfer': {
      const slope = Math.tan(degToRad(profile.sideDeg))
      return (radiusMm, depthMm, cover) => {
        cover.from = -Infinity
        cover.to = Math.min(radiusMm, profile.tipRadiusMm + depthMm * slope)
      }
    }
    case 'corner':
      return cornerOutline(profile)
  }
}

function cornerOutline(profile: Profile & { type: 'corner' }): Outline {
  const dish = degToRad(profile.dishDeg)
  const back = degToRad(profile.backDeg)
  const [sinDish, cosDish, tanDish] = [Math.sin(dish), Math.cos(dish), Math.tan(dish)]
  const [sinBack, cosBack, tanBack] = [Math.sin(back), Math.cos(back), Math.tan(back)]
  return (radiusMm, depthMm, cover) => {
    const r = Math.min(profile.radiusMm, radiusMm)
    const middle = radiusMm - r
    const arc = depthMm < 2 * r ? Math.sqrt(r * r - (r - depthMm) ** 2) : 0
    const leaves = r * (1 + sinBack)
    const meets = r * (1 - cosDish)
    cover.to = depthMm < leaves ? middle + arc : middle + r * cosBack - (depthMm - leaves) * tanBack
    if (depthMm < meets) cover.from = middle - arc
    else cover.from = dish > 0 ? middle - r * sinDish - (depthMm - meets) / tanDish : -Infinity
  }
}
