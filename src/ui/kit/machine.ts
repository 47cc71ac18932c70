/** What a scan means while a job is fetched. Pure, so that a table can test it. */
import type { Scan } from '@/codecs/label-text'
import type { PickLine } from '@/core/plan'

/** Holders are taken by the scan that begins their build; the rest is fetched here. */
export const toTake = (lines: readonly PickLine[], holders: Readonly<Record<string, unknown>>): PickLine[] =>
  lines.filter((l) => !Object.hasOwn(holders, l.component))

/** The line that was chosen by hand, or the next one of the round. */
export const lineNow = (lines: readonly PickLine[], chosen: string | null): PickLine | undefined =>
  lines.find((l) => keyOf(l) === chosen) ?? lines[0]

export const keyOf = (l: PickLine): string => `${l.component} ${l.place}`

/** The line that a drawer's mark or a part's number takes; undefined when it takes none. */
export function lineOf(scan: Scan, lines: readonly PickLine[]): PickLine | undefined {
  const same = (a: string, b: string) => a.toUpperCase() === b.toUpperCase()
  if (scan.type === 'place') return lines.find((l) => same(l.place, scan.placeId))
  return scan.type === 'plain' ? lines.find((l) => same(l.component, scan.text) || same(l.place, scan.text)) : undefined
}
