/**
 * Runout told apart: r_i = r0 + e·cos(φ_i − φ0) + s_i. The once-a-turn pattern is the tool off centre, what is left is
 * the edge's own. Model after Kline & DeVor, Int. J. Mach. Tool Des. Res. 23 (1983) 123 (from memory).
 */
import { leastSquares } from '../numeric'
import { degToRad, normDeg, radToDeg } from '../units'

export interface EdgeRadius {
  readonly edge: number
  readonly angleDeg: number
  readonly radiusMm: number
}

export interface Runout {
  /** Largest minus smallest radius. */
  readonly spreadMm: number
  readonly sweptDiameterMm: number
  readonly meanRadiusMm: number
  /** Offset of the tool's axis and the direction of the high side; null where it cannot be known (fewer than three edges). */
  readonly eccentricity: { readonly eMm: number; readonly angleDeg: number; readonly provenAboveMm: number } | null
  /** The one part of the offset that two opposite edges show: along the first edge's direction. */
  readonly component: { readonly mm: number; readonly edge: number } | null
  /** How much more (or less) feed each edge takes than its even share, mm, in the order in which they follow each other. */
  readonly feed: readonly { readonly edge: number; readonly mm: number }[]
  /** What each edge adds of its own; null where nothing is left to tell (fewer than four edges). */
  readonly own: readonly { readonly edge: number; readonly mm: number }[] | null
  readonly known: 'nothing' | 'one-component' | 'pattern-only' | 'alternating-only' | 'both'
}

/** 95 % limit of a Rayleigh law: √(−2·ln 0.05). */
const RAYLEIGH_95 = 2.4477

/**
 * @param sigmaMm one standard deviation of a radius
 * @returns null without an edge
 */
export function splitRunout(edges: readonly EdgeRadius[], sigmaMm: number): Runout | null {
  const n = edges.length
  if (n === 0) return null
  const radii = edges.map((e) => e.radiusMm)
  const most = Math.max(...radii)
  const turn = [...edges].sort((a, b) => a.angleDeg - b.angleDeg)
  const base = {
    spreadMm: most - Math.min(...radii),
    sweptDiameterMm: 2 * most,
    meanRadiusMm: radii.reduce((a, b) => a + b, 0) / n,
    component: null,
    feed: n < 2 ? [] : turn.map(({ edge, radiusMm }, i) => ({ edge, mm: radiusMm - turn[(i + n - 1) % n].radiusMm })),
  }
  const fit =
    n < 3
      ? null
      : leastSquares(
          edges.map(({ angleDeg }) => [1, Math.cos(degToRad(angleDeg)), Math.sin(degToRad(angleDeg))]),
          radii,
        )
  if (!fit) {
    const component = n === 2 ? { mm: (radii[0] - radii[1]) / 2, edge: edges[0].edge } : null
    return { ...base, component, eccentricity: null, own: null, known: n === 1 ? 'nothing' : 'one-component' }
  }
  const [r0, a, b] = fit.x
  const eccentricity = {
    eMm: Math.hypot(a, b),
    angleDeg: normDeg(radToDeg(Math.atan2(b, a))),
    provenAboveMm: RAYLEIGH_95 * sigmaMm * Math.sqrt(2 / n),
  }
  const own = edges.map(({ edge, angleDeg, radiusMm }) => ({
    edge,
    mm: radiusMm - r0 - a * Math.cos(degToRad(angleDeg)) - b * Math.sin(degToRad(angleDeg)),
  }))
  return {
    ...base,
    meanRadiusMm: r0,
    eccentricity,
    own: n > 3 ? own : null,
    known: n === 3 ? 'pattern-only' : n === 4 ? 'alternating-only' : 'both',
  }
}
