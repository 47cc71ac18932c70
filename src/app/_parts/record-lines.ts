import type { RecordEntry } from '@/core/tool'
import { formatLength, unitMark, type LengthUnit, type Units } from '@/core/units'
import { kindText } from '@/words/kinds'
import { recordText } from '@/words/record'
import { formatWhen } from '@/ui/format/due'
import type { RecordLine } from '@/ui/records/record-table'
import { say } from '@/words/screens/shell'

/** Old and new value, for what people ask about: length and diameter, registers, issue numbers. */
export function changeText(before: unknown, after: unknown, unit: LengthUnit): string {
  const a = (before ?? {}) as Record<string, unknown>
  const b = (Array.isArray(after) ? {} : (after ?? {})) as Record<string, unknown>
  const mm = (value: unknown) => (typeof value === 'number' ? formatLength(value, unit) : '–')
  const parts: string[] = []
  for (const key of ['LF', 'DC'] as const) {
    if (typeof b[key] === 'number')
      parts.push(`${key} ${typeof a[key] === 'number' ? `${mm(a[key])} → ` : ''}${mm(b[key])} ${unitMark(unit)}`)
  }
  if (typeof b.lengthMm === 'number') parts.push(say.lfRadius(mm(b.lengthMm), mm(b.radiusMm), unitMark(unit)))
  if (typeof b.length === 'number')
    parts.push(say.lengthRegister(typeof a.length === 'number' ? `${a.length} → ` : say.empty, b.length))
  return parts.join(' · ')
}

export const recordLines = (entries: readonly RecordEntry[], units: Units, machines: ReadonlyMap<string, string>): RecordLine[] =>
  entries.map((e) => ({
    seq: e.seq,
    when: formatWhen(e.at),
    who: e.who,
    what: kindText(e.what),
    serial: e.serial,
    t: e.t === null ? '–' : `T${e.t}`,
    machine: e.machine ? (machines.get(e.machine) ?? e.machine) : '–',
    text: recordText(e, units),
    change: changeText(e.before, e.after, units.length),
  }))
