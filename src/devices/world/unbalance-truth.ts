/**
 * What a simulated tool really weighs where: every part with its own eccentricity, every screw and ring as it was really put in, every
 * hole as it was really drilled. Only stand-ins look inside; everything else passes the text on.
 */
import { seededRandom } from '@/core/numeric'
import { degToRad } from '@/core/units'

/** A mass that is off the axis: g·mm towards x (0°) and y (90° anticlockwise), at a height over the gauge line. */
export interface OffAxis {
  readonly what: string
  readonly zMm: number
  readonly x: number
  readonly y: number
}

export interface UnbalanceTruth {
  readonly massKg: number
  readonly cgZMm: number
  readonly off: readonly OffAxis[]
}

export interface RealPart {
  /** Which piece of its kind it is. */
  readonly seed: number
  readonly what: string
  readonly massKg: number
  readonly zMm: number
  /** How far such a part's mass centre is off the tool's axis, µm. */
  readonly offUm: number
}

const towards = (what: string, zMm: number, gmm: number, deg: number): OffAxis => ({
  what,
  zMm,
  x: gmm * Math.cos(degToRad(deg)),
  y: gmm * Math.sin(degToRad(deg)),
})

/** A tool as it was put together; the same seeds give the same tool. A part is off at its two ends, each its own way. */
export function makeUnbalance(parts: readonly RealPart[]): UnbalanceTruth {
  const massKg = parts.reduce((sum, part) => sum + part.massKg, 0)
  const cgZMm = parts.reduce((sum, part) => sum + part.massKg * part.zMm, 0) / massKg
  const off = parts.flatMap(({ seed, what, massKg: own, zMm, offUm }) => {
    const { uniform } = seededRandom(seed)
    return [-1, 1].map((end) => {
      const gmm = (own / 2) * offUm * (0.5 + uniform())
      return towards(what, zMm + end * 12, gmm, 360 * uniform())
    })
  })
  return { massKg, cgZMm, off }
}

/** With a screw in a hole. What is engraved on it is meant; what it weighs, and how deep it sits, is not quite that. */
export function withScrew(
  truth: UnbalanceTruth,
  hole: { name: string; zMm: number; radiusMm: number; deg: number },
  massG: number,
  seed: number,
): UnbalanceTruth {
  const { normal } = seededRandom(seed)
  const real = massG * (1 + 0.006 * normal()) * (hole.radiusMm + 0.05 * normal())
  return withOff(truth, { ...towards(hole.name, hole.zMm, real, hole.deg + 0.1 * normal()) })
}

/** With a ring turned to a place of the holder's scale, as well as eyes can see. */
export function withRing(
  truth: UnbalanceTruth,
  ring: { name: string; zMm: number; gmm: number },
  deg: number,
  seed: number,
): UnbalanceTruth {
  const { normal } = seededRandom(seed)
  return withOff(truth, towards(ring.name, ring.zMm, ring.gmm * (1 + 0.005 * normal()), deg + 0.3 * normal()))
}

/** With a hole drilled: what it took away is off to the other side. */
export function withHole(
  truth: UnbalanceTruth,
  hole: { name: string; zMm: number; gmm: number; deg: number },
  seed: number,
): UnbalanceTruth {
  const { normal } = seededRandom(seed)
  return withOff(truth, towards(hole.name, hole.zMm, -hole.gmm * (1 + 0.015 * normal()), hole.deg + 0.2 * normal()))
}

/** With mass put on at a place, beside whatever is there already. */
export function withAdded(
  truth: UnbalanceTruth,
  place: { name: string; zMm: number; radiusMm: number; deg: number },
  massG: number,
  seed: number,
): UnbalanceTruth {
  const { normal } = seededRandom(seed)
  const real = (massG + 0.01 * normal()) * (place.radiusMm + 0.1 * normal())
  return { ...truth, off: [...truth.off, towards(place.name, place.zMm, real, place.deg + 0.3 * normal())] }
}

/** With a mass that is known exactly, such as a trial mass with its certificate. */
export const withMass = (truth: UnbalanceTruth, mass: { name: string; zMm: number; gmm: number; deg: number }): UnbalanceTruth =>
  withOff(truth, towards(mass.name, mass.zMm, mass.gmm, mass.deg))

/** Without what has this name: a screw that was taken out, a ring that is turned anew. */
export const without = (truth: UnbalanceTruth, name: string): UnbalanceTruth => ({
  ...truth,
  off: truth.off.filter((o) => o.what !== name),
})

const withOff = (truth: UnbalanceTruth, off: OffAxis): UnbalanceTruth => ({
  ...without(truth, off.what),
  off: [...without(truth, off.what).off, off],
})

export const toUnbalanceTicket = (truth: UnbalanceTruth): string => btoa(JSON.stringify(truth))
/** @throws when the ticket is none of ours */
export const fromUnbalanceTicket = (ticket: string): UnbalanceTruth => JSON.parse(atob(ticket)) as UnbalanceTruth
