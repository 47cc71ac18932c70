/** Which tools a machine had at some moment, by what went in and out of it. */

export type Move = { readonly at: string; readonly serial: string } & (
  { readonly type: 'in'; readonly t: number | null; readonly pocket: number; readonly issue: number } | { readonly type: 'out' }
)

export interface ThereThen {
  readonly serial: string
  readonly t: number | null
  readonly pocket: number
  /** The hand-over that it went in with. */
  readonly issue: number
  /** Since when it was in. */
  readonly since: string
}

/** @param moves of one machine, in the order in which they happened; @param at ISO 8601: what happened at that moment counts */
export function thereAt(moves: readonly Move[], at: string): readonly ThereThen[] {
  const inside = new Map<string, ThereThen>()
  for (const move of moves) {
    if (move.at > at) break
    inside.delete(move.serial)
    if (move.type === 'in') {
      const { serial, t, pocket, issue } = move
      inside.set(serial, { serial, t, pocket, issue, since: move.at })
    }
  }
  return [...inside.values()].sort((a, b) => a.pocket - b.pocket || (a.serial < b.serial ? -1 : 1))
}

export interface DayDifference {
  /** What was in then and is not now, or went in again with another hand-over or another pocket. */
  readonly gone: readonly ThereThen[]
  readonly came: readonly ThereThen[]
  readonly changed: readonly { readonly then: ThereThen; readonly now: ThereThen }[]
}

export function sinceThen(then: readonly ThereThen[], now: readonly ThereThen[]): DayDifference {
  const later = new Map(now.map((tool) => [tool.serial, tool]))
  const before = new Map(then.map((tool) => [tool.serial, tool]))
  return {
    gone: then.filter(({ serial }) => !later.has(serial)),
    came: now.filter(({ serial }) => !before.has(serial)),
    changed: then.flatMap((tool) => {
      const other = later.get(tool.serial)
      return other && (other.issue !== tool.issue || other.pocket !== tool.pocket) ? [{ then: tool, now: other }] : []
    }),
  }
}
