import { differenceInCalendarDays, differenceInMinutes, format } from 'date-fns'
import { say } from '@/words/screens/shell'

export interface Due {
  readonly text: string
  readonly late: boolean
}

/** When a tool is due, as people say it at the bench. */
export function formatDue(dueAt: string | null, now: Date): Due {
  if (!dueAt) return { text: say.noDate, late: false }
  const due = new Date(dueAt)
  const minutes = differenceInMinutes(due, now)
  if (minutes < 0) return { text: say.lateSpan(span(-minutes)), late: true }
  const days = differenceInCalendarDays(due, now)
  if (days === 0) return { text: format(due, 'HH:mm'), late: false }
  if (days === 1) return { text: say.tomorrowDue(format(due, 'HH:mm')), late: false }
  return { text: format(due, 'EEE d MMM'), late: false }
}

export function span(minutes: number): string {
  if (minutes < 60) return `${minutes} min`
  const hours = Math.floor(minutes / 60)
  if (hours < 24) return minutes % 60 ? `${hours} h ${minutes % 60}` : `${hours} h`
  const days = Math.round(hours / 24)
  return days === 1 ? say.day : say.dayCount(days)
}

export const formatWhen = (at: string): string => format(new Date(at), 'd MMM yyyy HH:mm')
export const formatTime = (at: string): string => format(new Date(at), 'HH:mm:ss')

/** Seconds as people read a clock: 40 s, 2 min 5 s. */
export function formatSeconds(seconds: number): string {
  const whole = Math.ceil(seconds)
  return whole < 100 ? `${whole} s` : say.minS(Math.floor(whole / 60), whole % 60)
}
