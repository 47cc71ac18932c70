/** Dates and times as people read them: in the zone of the shop, always in one form. */
import { parseISO } from 'date-fns'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** The shop's zone: that of the machine Boulder runs on. */
export const localZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

const two = (n: number | string) => String(n).padStart(2, '0')

/** @param day an ISO date without a time. @returns such as `5 Dec 2026` */
export function dayText(day: string): string {
  const [year, month, date] = day.slice(0, 10).split('-').map(Number)
  return `${date} ${MONTHS[month - 1] ?? '?'} ${year}`
}

/** @param at ISO 8601. @returns such as `28 Nov 2026 14:05` */
export function timeText(at: string, zone = localZone()): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(parseISO(at))
  const of = (type: Intl.DateTimeFormatPartTypes) => parts.find((p) => p.type === type)?.value ?? ''
  return `${Number(of('day'))} ${MONTHS[Number(of('month')) - 1]} ${of('year')} ${two(of('hour'))}:${two(of('minute'))}`
}

/** The zone's short name at that time: `CET`, `GMT+2`. */
export function zoneText(at: string, zone = localZone()): string {
  const parts = new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeZoneName: 'short' }).formatToParts(parseISO(at))
  return parts.find((p) => p.type === 'timeZoneName')?.value ?? zone
}

/** With its zone, for what is read away from this screen: labels, sheets of paper. */
export const timeWithZone = (at: string, zone = localZone()): string => `${timeText(at, zone)} ${zoneText(at, zone)}`
