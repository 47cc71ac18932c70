import { learnShare, nextDial, type BoreStep, type BoringHead, type Learned, type NextDial } from '@/core/boring'
import { numberOf, type Assembly, type Component, type Definition } from '@/core/tool'
import { fail, ok, type Limits, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { boreEvents, headEvents, type BoreEvent, type DialBody } from '@/db/bore/read'
import type { Db } from '@/db/connection'
import { getComponent, getDefinition } from '@/db/library/read'
import type { Refusal } from '../refusals'

/** A setting with its bore. */
export type Setting = DialBody & Pick<BoreEvent, 'id' | 'series' | 'at' | 'who'> & { readonly boreMm: number | null }

export interface BoreSheet {
  readonly assembly: Assembly
  readonly definition: Definition | null
  readonly head: BoringHead
  readonly part: Component
  /** By what it is learned from: its holder and its part number. */
  readonly key: string
  /** The insert's nose radius as the library has it, mm. */
  readonly insertNoseMm: number | null
  readonly limits: Limits | null
  readonly learned: Learned
  /** Of the series under way. */
  readonly settings: readonly Setting[]
  readonly series: number
  /** Counts what was done: a verb names the one that was read. */
  readonly version: number
}

/** So many events of a head are learned from. */
const LEARNED_FROM = 200

/** Settings with what they cut. */
function settingsOf(events: readonly BoreEvent[]): Setting[] {
  const settings: Setting[] = []
  for (const event of events) {
    if (event.kind === 'dial') settings.push({ ...event, boreMm: null })
    else if (settings.length) settings[settings.length - 1] = { ...settings[settings.length - 1], boreMm: event.boreMm }
  }
  return settings
}

function seriesOf(settings: readonly Setting[]): BoreStep[][] {
  const series = new Map<number, BoreStep[]>()
  for (const setting of settings) series.set(setting.series, [...(series.get(setting.series) ?? []), setting])
  return [...series.values()]
}

export function readBore(db: Db, serial: string): Result<BoreSheet, Refusal> {
  const assembly = getAssembly(db, serial)
  if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', serial })
  const partOf = (role: string) => {
    const line = assembly.parts.find((part) => part.role === role)
    return line ? getComponent(db, line.component) : null
  }
  const part = partOf('cutter')
  if (part?.kind !== 'boring-head') return fail({ code: 'NO_HEAD', serial })
  const insert = partOf('insert')
  const head = headOf(part, insert)
  if (!head) return fail({ code: 'HEAD_UNKNOWN', part: part.id })
  const definition = assembly.definition && getDefinition(db, assembly.definition.id, assembly.definition.version)
  const events = boreEvents(db, assembly.id)
  const series = events.at(-1)?.series ?? 0
  const key = `${serial} ${part.id}`
  const { nominal, lower, upper } = definition?.DC ?? { nominal: NaN, lower: 0, upper: 0 }
  return ok({
    assembly,
    definition,
    head,
    part,
    key,
    insertNoseMm: insert ? (numberOf(insert, 'RE') ?? null) : null,
    limits: definition ? { min: nominal + lower, max: nominal + upper } : null,
    learned: learnShare(seriesOf(settingsOf(headEvents(db, key, LEARNED_FROM)))),
    settings: settingsOf(events.filter((event) => event.series === series)),
    series,
    version: events.at(-1)?.id ?? 0,
  })
}

/** null where the library does not say what it cuts at zero. */
function headOf(part: Component, insert: Component | null): BoringHead | null {
  const [zeroMm, divisionMm, min, max] = (['zeroMm', 'divisionMm', 'DCN', 'DCX'] as const).map((key) => numberOf(part, key))
  if (zeroMm === undefined || divisionMm === undefined || min === undefined || max === undefined) return null
  const KAPR = numberOf(part, 'KAPR')
  const EPSR = insert ? numberOf(insert, 'EPSR') : undefined
  return {
    zeroMm,
    divisionMm,
    range: { min, max },
    noseMm: numberOf(part, 'noseMm') ?? (insert ? (numberOf(insert, 'RE') ?? 0) : 0),
    backlashMm: numberOf(part, 'backlashMm') ?? null,
    seat: KAPR !== undefined && EPSR !== undefined ? { KAPR, EPSR } : null,
  }
}

/** Without limits of its own a bore is right to so much, mm (common practice, no source). */
const FREE_MM = 0.01

/** Where a series is to end. */
export const aimOf = ({ limits }: BoreSheet, { wantedMm }: Pick<Setting, 'wantedMm'>): Limits =>
  limits && wantedMm >= limits.min && wantedMm <= limits.max ? limits : { min: wantedMm - FREE_MM, max: wantedMm + FREE_MM }

/** What the last bore asks for; null before it was measured. */
export function afterBore(sheet: BoreSheet): Result<NextDial, Refusal> | null {
  const last = sheet.settings.at(-1)
  if (!last || last.boreMm === null) return null
  const next = nextDial(
    sheet.head,
    { dialMm: last.dialMm, boreMm: last.boreMm },
    last.wantedMm,
    aimOf(sheet, last),
    sheet.learned,
  )
  return next.ok ? next : fail({ code: 'DIAL', fault: next.error })
}
