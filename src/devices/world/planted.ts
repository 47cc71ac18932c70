/** Faults that a lesson puts on simulated tools. Lengths mm, angles rad. */
import { seededRandom } from '@/core/numeric'
import type { ToolTruth } from './tool-truth'

export const WORLD_FAULTS = [
  'OFF_CENTRE',
  'TILTED',
  'EDGE_HIGH',
  'EDGE_LOW',
  'WORN',
  'OTHER_NOSE',
  'LENGTH_NOT_SET',
  'CREPT',
  'WRONG_CUTTER',
  'CHIP_ON_EDGE',
] as const
export type WorldFault = (typeof WORLD_FAULTS)[number]

/** Edges of a good tool scatter by this much, standard deviation. */
const GROUND_MM = 0.001

/** The same tool without anything wrong: edges as ground, seated well, clean. @param nominal what it was meant to be */
export function sound(truth: ToolTruth, nominal: { readonly LF: number; readonly DC: number }): ToolTruth {
  const { normal } = seededRandom(truth.seed ^ 0x50)
  return {
    ...truth,
    edges: truth.edges.map(({ angleDeg }) => ({
      angleDeg,
      radiusMm: nominal.DC / 2 - 0.002 + GROUND_MM * normal(),
      lengthMm: nominal.LF - Math.abs(GROUND_MM * normal()),
    })),
    eccentricityMm: 0.001,
    tiltRad: 1e-5,
    dirt: [],
  }
}

/** @param by how large: mm; for a lean rad */
export function planted(truth: ToolTruth, fault: WorldFault, by: number, seed: number): ToolTruth {
  const { uniform } = seededRandom(seed)
  const bad = Math.floor(uniform() * truth.edges.length)
  const side = uniform() < 0.5 ? -1 : 1
  const turned = 360 * uniform()
  const longer = (mm: number) => truth.edges.map((e) => ({ ...e, lengthMm: e.lengthMm + mm }))
  const wider = (mm: number, only?: number) =>
    truth.edges.map((e, i) => (only === undefined || only === i ? { ...e, radiusMm: e.radiusMm + mm } : e))
  switch (fault) {
    case 'OFF_CENTRE':
      return { ...truth, eccentricityMm: by, eccentricityDeg: turned }
    case 'TILTED': {
      // a lean about the face moves the tip sideways too
      const reach = Math.max(...truth.edges.map((e) => e.lengthMm))
      return { ...truth, tiltRad: by, tiltDeg: turned, eccentricityMm: by * reach, eccentricityDeg: turned }
    }
    case 'EDGE_HIGH':
      return { ...truth, edges: wider(by, bad) }
    case 'EDGE_LOW':
      return { ...truth, edges: wider(-by, bad) }
    case 'WORN':
      return { ...truth, edges: truth.edges.map((e) => ({ ...e, radiusMm: e.radiusMm - by, lengthMm: e.lengthMm - by / 2 })) }
    case 'OTHER_NOSE':
      return truth.profile.type === 'corner' ? { ...truth, profile: { ...truth.profile, radiusMm: by } } : truth
    case 'LENGTH_NOT_SET':
      return { ...truth, edges: longer(side * by) }
    case 'CREPT':
      return { ...truth, edges: longer(by) }
    case 'WRONG_CUTTER':
      return { ...truth, edges: wider(-by / 2) }
    case 'CHIP_ON_EDGE':
      return { ...truth, dirt: [{ type: 'chip', edge: bad + 1, downMm: 0.4 + 0.6 * uniform(), radiusMm: by }] }
  }
}
