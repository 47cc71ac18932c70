/** One holder (or extension) with a serial: free, healthy, and of a type the tool accepts. */
import { accepts, numberOf, type Component, type Coupling, type Definition, type Heat } from '../tool'
import { fitsCarrier } from './pair'
import type { Refusal } from './refusal'

/** A piece with its own serial, as the shop keeps it. */
export interface HolderItem {
  readonly serial: string
  readonly component: string
  readonly coupling: Coupling | null
  readonly retired: boolean
  /** Heats of its joint. */
  readonly heats: number
  readonly carries: boolean
  /** T of the tool it carries now, null when free or without a T. */
  readonly carriesT: number | null
  /** ISO 8601; null when nobody set one. */
  readonly inspectBy: string | null
  readonly stud: string | null
  readonly studSince: string | null
  /** The last heat of its joint; null when it never had one. */
  readonly heat?: Heat | null
  /** When it fell; null when it was inspected since. */
  readonly fallenAt?: string | null
}

/**
 * Everything that speaks against this piece for that tool, the weightiest first; empty when it fits.
 * @param offered its type; `wanted` the type of first choice; `cutter` what it shall carry
 * @param now ISO 8601
 */
export function refuseHolder(
  item: HolderItem,
  offered: Component,
  wanted: Component,
  cutter: Component,
  definition: Definition,
  now: string,
): Refusal[] {
  const refusals: Refusal[] = []
  const { serial } = item
  if (item.carries) refusals.push({ code: 'HOLDER_CARRIES_TOOL', serial, t: item.carriesT })
  if (item.retired) refusals.push({ code: 'HOLDER_RETIRED', serial })
  if ('CCMS' in offered && 'CCMS' in wanted && offered.CCMS !== wanted.CCMS)
    refusals.push({ code: 'WRONG_TAPER', has: String(offered.CCMS), needs: String(wanted.CCMS) })
  if (offered.id !== wanted.id && !accepts(definition, 'holder', offered.id)) {
    refusals.push(...fitsCarrier(offered, cutter))
    if (refusals.length === 0) refusals.push({ code: 'OTHER_TYPE', has: offered.name, needs: wanted.name })
  }
  return [...refusals, ...refuseHealth(item, offered, now)]
}

/** What holder care has to say: heats used up, inspection due. The stud is asked by refuseStud. */
export function refuseHealth(item: HolderItem, type: Component, now: string): Refusal[] {
  const refusals: Refusal[] = []
  if (item.fallenAt) refusals.push({ code: 'HOLDER_FELL', serial: item.serial, at: item.fallenAt })
  if (item.heat && item.heat.touchAt > now) refusals.push({ code: 'HOLDER_HOT', serial: item.serial, until: item.heat.touchAt })
  const greatest = numberOf(type, 'greatestHeats')
  if (greatest !== undefined && item.heats >= greatest)
    refusals.push({ code: 'HEATS_USED_UP', serial: item.serial, heats: item.heats, greatest })
  if (item.inspectBy !== null && item.inspectBy < now)
    refusals.push({ code: 'INSPECTION_DUE', serial: item.serial, since: item.inspectBy })
  return refusals
}

/** Months as 30.4 days: a stud's age is no calendar question. */
const MONTH_MS = 30.4 * 24 * 3600 * 1000

/** The stud that is in the holder, against what the tool wants. @param wanted null when the taper has none */
export function refuseStud(item: HolderItem, inIt: Component | null, wanted: Component | null, now: string): Refusal[] {
  if (!wanted) return []
  if (!inIt || item.stud === null) return [{ code: 'STUD_NOT_KNOWN', serial: item.serial }]
  if (inIt.kind === 'pull-stud' && wanted.kind === 'pull-stud' && inIt.studForm !== wanted.studForm)
    return [{ code: 'WRONG_STUD', stud: inIt.name, has: `form ${inIt.studForm}`, needs: `form ${wanted.studForm}` }]
  const months = numberOf(inIt, 'ageMonths')
  if (months !== undefined && item.studSince !== null && Date.parse(now) - Date.parse(item.studSince) > months * MONTH_MS)
    return [{ code: 'STUD_TOO_OLD', serial: item.serial, since: item.studSince }]
  return []
}
