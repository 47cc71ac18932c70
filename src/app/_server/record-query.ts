import 'server-only'
import { addDays, isValid, parseISO } from 'date-fns'
import type { RecordQuery } from '@/stations/reads'

export type RecordAsked = Readonly<Partial<Record<'tool' | 'machine' | 'person' | 'what' | 'from' | 'to' | 'words', string>>>

const KEYS = ['tool', 'machine', 'person', 'what', 'from', 'to', 'words'] as const

/** What was typed into the search, each at most 80 characters. */
export function recordAsked(params: URLSearchParams): RecordAsked {
  return Object.fromEntries(
    KEYS.flatMap((key) => {
      const value = params.get(key)?.trim().slice(0, 80)
      return value ? [[key, value]] : []
    }),
  )
}

/** A tool is named by its holder's mark, or by its T number; a day is a whole day. */
export function recordQuery(asked: RecordAsked): RecordQuery {
  const t = /^T?(\d{1,5})$/i.exec(asked.tool ?? '')?.[1]
  const day = (text: string | undefined, plus: number) => {
    const date = text ? parseISO(text) : null
    return date && isValid(date) ? addDays(date, plus).toISOString() : undefined
  }
  return {
    ...(t ? { t: Number(t) } : asked.tool ? { serial: asked.tool.toUpperCase() } : {}),
    machine: asked.machine,
    personId: asked.person,
    what: asked.what,
    from: day(asked.from, 0),
    before: day(asked.to, 1),
    words: asked.words?.split(/\s+/).filter(Boolean),
  }
}
