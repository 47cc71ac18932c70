import { absOf, minus, polar, ZERO, type Complex } from '../numeric'
import { degToRad } from '../units'

/** A place at which unbalance can be put or taken, up to so much. */
export interface Place {
  readonly deg: number
  readonly mostGmm: number
}

/**
 * How much at each place, so that together they come nearest to what is wanted, none below zero nor above its most. Bounded least squares
 * by one place after the other (coordinate descent): convex, so it ends at the one answer; where several amounts do the same, small ones.
 * @returns g·mm a place
 */
export function shareOut(wanted: Complex, places: readonly Place[]): readonly number[] {
  const ways = places.map(({ deg }) => polar(1, degToRad(deg)))
  const amounts = places.map(() => 0)
  let rest = wanted
  const enough = absOf(wanted) * 1e-9
  for (let round = 0; round < 2000; round++) {
    let change = 0
    for (let i = 0; i < ways.length; i++) {
      const gain = rest.re * ways[i].re + rest.im * ways[i].im
      const next = Math.min(places[i].mostGmm, Math.max(0, amounts[i] + gain))
      const step = next - amounts[i]
      if (step === 0) continue
      amounts[i] = next
      rest = minus(rest, { re: ways[i].re * step, im: ways[i].im * step })
      change = Math.max(change, Math.abs(step))
    }
    if (change <= enough) break
  }
  return amounts
}

/** What amounts at places come to together. */
export const drawn = (places: readonly Place[], amounts: readonly number[]): Complex =>
  places.reduce((sum, { deg }, i) => {
    const part = polar(amounts[i], degToRad(deg))
    return { re: sum.re + part.re, im: sum.im + part.im }
  }, ZERO)

export interface Added {
  readonly place: number
  readonly massG: number
}

/**
 * Mass added at given places: at the two that stand on either side of the light place, split so that nothing is left; at more where
 * those are not enough.
 * @param need the heavy place, g·mm
 */
export function addMass(
  need: Complex,
  places: readonly { readonly deg: number; readonly radiusMm: number; readonly mostG: number }[],
): { readonly added: readonly Added[]; readonly residual: Complex } {
  const light = { re: -need.re, im: -need.im }
  const all = places.map(({ deg, radiusMm, mostG }) => ({ deg, mostGmm: mostG * radiusMm }))
  const near = nearestTwo(light, all)
  const two =
    near &&
    shareOut(
      light,
      all.map((p, i) => (near.includes(i) ? p : { ...p, mostGmm: 0 })),
    )
  const done = two !== null && absOf(minus(light, drawn(all, two))) <= absOf(light) * 1e-6
  const amounts = done ? two : shareOut(light, all)
  const added = amounts.flatMap((gmm, place) => (gmm > 1e-9 ? [{ place, massG: gmm / places[place].radiusMm }] : []))
  return { added, residual: minus(drawn(all, amounts), light) }
}

/** The places on either side of a direction; null where there are fewer than two. */
function nearestTwo(way: Complex, places: readonly Place[]): readonly number[] | null {
  const toward = Math.atan2(way.im, way.re)
  const off = (deg: number) => {
    const turn = degToRad(deg) - toward
    return Math.atan2(Math.sin(turn), Math.cos(turn))
  }
  const after = places.map((p, i) => ({ i, by: off(p.deg) })).filter(({ by }) => by >= 0)
  const before = places.map((p, i) => ({ i, by: -off(p.deg) })).filter(({ by }) => by > 0)
  if (after.length === 0 || before.length === 0) return null
  const least = (all: typeof after) => all.reduce((a, b) => (b.by < a.by ? b : a)).i
  return [least(after), least(before)]
}
