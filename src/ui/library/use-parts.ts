'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Kind } from '@/core/tool'
import { say } from '@/words/screens/library'

/** A part as the tool room's list gives it; lengths mm. */
export interface PartRow {
  readonly id: string
  readonly kind: Kind
  readonly name: string
  readonly size: number | null
  readonly RE: number | null
  readonly shank: number | null
  readonly length: number | null
  readonly onHand: number | null
  readonly least: number | null
  readonly places: string
  readonly maker: string
  readonly price: number | null
}

export interface PartsPage {
  readonly rows: readonly PartRow[]
  readonly found: number
  readonly of: number
}

export type PartsQuery = Readonly<Record<string, string>>

/** Rows that are asked for at once. */
const AT_ONCE = 100
const SOON_MS = 120

async function ask(query: PartsQuery, from: number, count: number, signal: AbortSignal): Promise<PartsPage> {
  const text = new URLSearchParams({ ...query, from: String(from), count: String(count) }).toString()
  const answer = await fetch(`/api/library/parts?${text}`, { signal })
  if (!answer.ok) throw new Error(String(answer.status))
  return (await answer.json()) as PartsPage
}

/** What is looked for, page by page as it comes into view. */
export function useParts(query: PartsQuery) {
  const asked = JSON.stringify(query)
  const [state, setState] = useState<{
    readonly pages: ReadonlyMap<number, readonly PartRow[]>
    readonly found: number
    readonly of: number
  } | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const open = useRef<{ asked: string; pages: Set<number>; gone: AbortController } | null>(null)

  const load = useCallback((page: number) => {
    const now = open.current
    if (!now || now.pages.has(page)) return
    now.pages.add(page)
    ask(JSON.parse(now.asked) as PartsQuery, page * AT_ONCE, AT_ONCE, now.gone.signal)
      .then(({ rows, found, of }) => {
        if (open.current !== now) return
        setProblem(null)
        setState((before) => ({ pages: new Map(page === 0 ? [] : before?.pages).set(page, rows), found, of }))
      })
      .catch((error: unknown) => {
        if (now.gone.signal.aborted) return
        setProblem(say.theListOfPartsDid(error instanceof Error ? error.message : say.noAnswer))
      })
  }, [])

  useEffect(() => {
    const gone = new AbortController()
    open.current = { asked, pages: new Set(), gone }
    const timer = setTimeout(() => load(0), SOON_MS)
    return () => {
      clearTimeout(timer)
      gone.abort()
    }
  }, [asked, load])

  const rowAt = (index: number): PartRow | null => {
    const page = Math.floor(index / AT_ONCE)
    return state?.pages.get(page)?.[index % AT_ONCE] ?? null
  }
  /** Asks for the pages that these rows are on. */
  const see = useCallback(
    (first: number, last: number) => {
      for (let page = Math.floor(first / AT_ONCE); page <= Math.floor(last / AT_ONCE); page++) if (page > 0) load(page)
    },
    [load],
  )
  return { found: state?.found ?? null, of: state?.of ?? null, problem, rowAt, see }
}

/** The first few parts that have these words, as somebody types them; null while nothing is asked. */
export function useFewParts(words: string, more: PartsQuery = {}, count = 8): readonly PartRow[] | null {
  const asked = words.trim().length < 2 ? null : JSON.stringify({ ...more, words: words.trim() })
  const [found, setFound] = useState<{ readonly asked: string; readonly rows: readonly PartRow[] } | null>(null)
  useEffect(() => {
    if (asked === null) return
    const gone = new AbortController()
    const timer = setTimeout(() => {
      ask(JSON.parse(asked) as PartsQuery, 0, count, gone.signal)
        .then(({ rows }) => setFound({ asked, rows }))
        .catch(() => undefined)
    }, SOON_MS)
    return () => {
      clearTimeout(timer)
      gone.abort()
    }
  }, [asked, count])
  return asked !== null && found?.asked === asked ? found.rows : null
}
