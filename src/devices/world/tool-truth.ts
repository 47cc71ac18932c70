/**
 * What a simulated tool is really like. Only stand-ins and the place that hands out tickets read it; everything else
 * sees a ticket, a text it passes on.
 */
import { seededRandom } from '@/core/numeric'

export interface TruthEdge {
  readonly angleDeg: number
  /** Radius about the tool's own axis, and height over the gauge line, mm. */
  readonly radiusMm: number
  readonly lengthMm: number
}

export interface Chip {
  readonly edge: number
  /** Where on the outline: 0 at the pole of the corner, 1 where it meets the flank, beyond 1 down the flank in mm. */
  readonly at: number
  readonly radiusMm: number
}

export interface ToolTruth {
  readonly seed: number
  readonly edges: readonly TruthEdge[]
  /** What the axes of the bench read too much while it hangs there, mm. */
  readonly zeroMm: { readonly x: number; readonly z: number }
  readonly eccentricityMm: number
  readonly eccentricityDeg: number
  readonly cornerRadiusMm: number
  readonly dishDeg: number
  readonly chips: readonly Chip[]
  readonly blurPx: number
  readonly noise: number
  readonly dark: number
  readonly contrast: number
  /** Share of the light lost from the middle to a corner, and where its middle stands (−1…1). */
  readonly fallOff: number
  readonly lightX: number
  readonly lightZ: number
}

/** What the tool was meant to be, mm. */
export interface Meant {
  readonly LF: number
  readonly DC: number
  readonly RE: number
  readonly edges: number
}

/** A tool as it came out: the same seed gives the same tool. */
export function makeTruth(seed: number, meant: Meant): ToolTruth {
  const { uniform, normal } = seededRandom(seed)
  const sharp = meant.RE <= 0
  const lf = meant.LF + 0.02 * normal()
  const worse = uniform() < 0.2 ? 1 + Math.floor(uniform() * meant.edges) : 0
  const edges = Array.from({ length: meant.edges }, (_, i) => ({
    angleDeg: (360 * i) / meant.edges + (i === 0 ? 0 : 0.15 * normal()),
    radiusMm: meant.DC / 2 - 0.002 + 0.0016 * normal() + (i + 1 === worse ? 0.006 : 0),
    lengthMm: lf - Math.abs(0.0018 * normal()),
  }))
  const chipped = uniform() < 0.45
  return {
    seed,
    zeroMm: { x: 0, z: 0 },
    edges,
    eccentricityMm: Math.abs(0.0022 * normal()),
    eccentricityDeg: 360 * uniform(),
    cornerRadiusMm: sharp ? 0.02 : meant.RE + 0.004 * normal(),
    dishDeg: 1.15 + 0.5 * uniform(),
    chips: chipped
      ? [
          {
            edge: 1 + Math.floor(uniform() * meant.edges),
            at: uniform() < 0.5 ? 0.3 + 0.4 * uniform() : 1.5 + uniform(),
            radiusMm: 0.05 + 0.05 * uniform(),
          },
        ]
      : [],
    blurPx: 1 + 0.5 * uniform(),
    noise: 1.5 + 1.5 * uniform(),
    dark: 22 + 8 * uniform(),
    contrast: 180 + 25 * uniform(),
    fallOff: 0.1 + 0.15 * uniform(),
    lightX: 0.4 * (uniform() - 0.5),
    lightZ: 0.4 * (uniform() - 0.5),
  }
}

/** A setting master: as exact as its certificate, on a seat that is nearly true. */
export function makeMaster(seed: number, { LF, DC }: Pick<Meant, 'LF' | 'DC'>): ToolTruth {
  const LANDS = 8
  return {
    ...makeTruth(seed, { LF, DC, RE: 1, edges: LANDS }),
    edges: Array.from({ length: LANDS }, (_, i) => ({ angleDeg: (360 * i) / LANDS, radiusMm: DC / 2, lengthMm: LF })),
    eccentricityMm: 0.0008,
    cornerRadiusMm: 1,
    chips: [],
  }
}

/** The same tool after a cloth went over an edge, or over all of them. */
export const wiped = (truth: ToolTruth, edge: number | null): ToolTruth => ({
  ...truth,
  chips: edge === null ? [] : truth.chips.filter((chip) => chip.edge !== edge),
})

/** The same tool after its screw was turned: longer, and larger in diameter, by so much (mm). */
export const adjusted = (truth: ToolTruth, longerMm: number, widerMm: number): ToolTruth => ({
  ...truth,
  edges: truth.edges.map((e) => ({ ...e, lengthMm: e.lengthMm + longerMm, radiusMm: e.radiusMm + widerMm / 2 })),
})

export const toTicket = (truth: ToolTruth): string => btoa(JSON.stringify(truth))

/** @throws when the ticket is none of ours */
export const fromTicket = (ticket: string): ToolTruth => JSON.parse(atob(ticket)) as ToolTruth
