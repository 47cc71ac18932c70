/** The pick list: what to fetch from where, in walking order. */
import type { Place } from '../tool'
import { shortRound, walkingDistances, type Floor } from './walk'

export interface Need {
  readonly component: string
  readonly count: number
  /** What it is for, as text beside the line: `T12`. */
  readonly purpose: string
}

export interface Lying {
  readonly place: string
  readonly count: number
}

export interface PickLine {
  readonly component: string
  readonly count: number
  readonly place: string
  readonly unit: string
  readonly purposes: readonly string[]
}

export interface PickList {
  /** In walking order. */
  readonly lines: readonly PickLine[]
  /** Units in walking order, from and back to the bench. */
  readonly round: readonly string[]
  /** What lies nowhere. */
  readonly short: readonly { readonly component: string; readonly count: number; readonly purposes: readonly string[] }[]
}

/**
 * @param lying where each component lies now
 * @param bench unit where the round starts and ends
 */
export function pickList(
  needs: readonly Need[],
  lying: ReadonlyMap<string, readonly Lying[]>,
  places: readonly Place[],
  floor: Floor,
  bench: string,
): PickList {
  const placeOf = new Map(places.map((p) => [p.id, p]))
  const { lines, short } = choosePlaces(gather(needs), lying, placeOf)
  const units = [...new Set(lines.map((l) => l.unit))]
  const stops = [bench, ...units.filter((u) => u !== bench)]
  const round = shortRound(walkingDistances(floor, stops), 0).map((i) => stops[i])
  const turn = new Map([bench, ...round].map((unit, i) => [unit, i]))
  const row = (l: PickLine) => placeOf.get(l.place)?.row ?? 0
  lines.sort(
    (a, b) => turn.get(a.unit)! - turn.get(b.unit)! || row(a) - row(b) || (a.place < b.place ? -1 : a.place > b.place ? 1 : 0),
  )
  return { lines, round: [bench, ...round], short }
}

function gather(needs: readonly Need[]) {
  const all = new Map<string, { count: number; purposes: Set<string> }>()
  for (const { component, count, purpose } of needs) {
    const seen = all.get(component) ?? { count: 0, purposes: new Set<string>() }
    seen.count += count
    seen.purposes.add(purpose)
    all.set(component, seen)
  }
  return all
}

/** One place that has all of it before several that have a part; of those, units that are visited anyway. */
function choosePlaces(
  needs: ReadonlyMap<string, { readonly count: number; readonly purposes: ReadonlySet<string> }>,
  lying: ReadonlyMap<string, readonly Lying[]>,
  placeOf: ReadonlyMap<string, Place>,
) {
  const lines: PickLine[] = []
  const short: { component: string; count: number; purposes: string[] }[] = []
  const visited = new Set<string>()
  const choices = (component: string) => (lying.get(component) ?? []).filter((l) => l.count > 0 && placeOf.has(l.place))
  const sorted = [...needs].sort(([a], [b]) => choices(a).length - choices(b).length)
  for (const [component, { count, purposes }] of sorted) {
    let rest = count
    const unitOf = (l: Lying) => placeOf.get(l.place)!.unit
    const score = (l: Lying) => (l.count >= count ? 0 : 2) + (visited.has(unitOf(l)) ? 0 : 1)
    for (const lie of [...choices(component)].sort((a, b) => score(a) - score(b) || b.count - a.count)) {
      if (rest === 0) break
      const take = Math.min(rest, lie.count)
      const unit = unitOf(lie)
      lines.push({ component, count: take, place: lie.place, unit, purposes: [...purposes] })
      visited.add(unit)
      rest -= take
    }
    if (rest > 0) short.push({ component, count: rest, purposes: [...purposes] })
  }
  return { lines, short }
}
