import { format, isValid, parse } from 'date-fns'

/** The ways in which people type a day. With strokes it could be either end first, so such a one is not guessed. */
const TYPED = ['yyyy-MM-dd', 'd MMM yyyy', 'd MMMM yyyy', 'd.M.yyyy', 'd MMM', 'd MMMM', 'd.M.', 'MMM d yyyy', 'MMM d']

/** A day as typed, as `yyyy-MM-dd`; null where it is none. A day without a year is in the year of `today`. */
export function readDay(text: string, today: Date): string | null {
  for (const pattern of TYPED) {
    const day = parse(text.trim().replace(/,/g, ''), pattern, today)
    if (isValid(day) && day.getFullYear() >= 1900 && day.getFullYear() < 2200) return format(day, 'yyyy-MM-dd')
  }
  return null
}

/** A time of the day as typed (`7`, `7.30`, `0730`, `19:05`), as `HH:mm`; null where it is none. */
export function readTime(text: string): string | null {
  const [, hours, minutes = '0'] = /^(\d{1,2})(?:[:.h ]?(\d{2}))?$/.exec(text.trim()) ?? []
  if (hours === undefined || Number(hours) > 23 || Number(minutes) > 59) return null
  return `${hours.padStart(2, '0')}:${minutes.padStart(2, '0')}`
}
