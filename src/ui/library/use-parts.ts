'use client'
import { fromHere } from '../common/going'
import { keepPreviousData, useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import { useNews } from '../shell/shell-context'
import { useCallback, useEffect, useState } from 'react'
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
  const answer = await fetch(fromHere(`/api/library/parts?${text}`), { signal })
  if (!answer.ok) throw new Error(String(answer.status))
  return (await answer.json()) as PartsPage
}

const said = (error: unknown): string => {
  const why = error instanceof Error ? error.message : say.noAnswer
  return why === '401' ? say.signInToSeeParts : say.theListOfPartsDid(why)
}

/** Stands still for a moment while somebody types. */
function useSettled(text: string): string {
  const [settled, setSettled] = useState(text)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text), SOON_MS)
    return () => clearTimeout(timer)
  }, [text])
  return settled
}

/** What is looked for, page by page as it comes into view. */
export function useParts(query: PartsQuery) {
  const asked = useSettled(JSON.stringify(query))
  const client = useQueryClient()
  useNews(() => void client.invalidateQueries({ queryKey: ['parts'] }))
  const [seen, setSeen] = useState<{ readonly asked: string; readonly pages: readonly number[] }>({ asked, pages: [0] })
  const wanted = seen.asked === asked ? seen.pages : [0]
  const page = (from: number) => ({
    queryKey: ['parts', asked, from],
    queryFn: ({ signal }: { readonly signal: AbortSignal }) =>
      ask(JSON.parse(asked) as PartsQuery, from * AT_ONCE, AT_ONCE, signal),
  })
  // the list stays as it was until the answer to the next letter is there
  const first = useQuery({ ...page(0), placeholderData: keepPreviousData })
  const others = wanted.filter((n) => n > 0)
  const pages = useQueries({ queries: others.map(page) })
  const rowsOf = new Map([[0, first.data?.rows], ...others.map((n, i) => [n, pages[i]?.data?.rows] as const)])
  const failed = [first, ...pages].find((p) => p.isError)
  /** Asks for the pages that these rows are on. */
  const see = useCallback(
    (from: number, to: number) =>
      setSeen((before) => {
        const known = before.asked === asked ? before.pages : [0]
        const more = []
        for (let page = Math.floor(from / AT_ONCE); page <= Math.floor(to / AT_ONCE); page++)
          if (!known.includes(page)) more.push(page)
        return more.length || before.asked !== asked ? { asked, pages: [...known, ...more] } : before
      }),
    [asked],
  )
  return {
    found: first.data?.found ?? null,
    of: first.data?.of ?? null,
    problem: failed ? said(failed.error) : null,
    rowAt: (index: number): PartRow | null => rowsOf.get(Math.floor(index / AT_ONCE))?.[index % AT_ONCE] ?? null,
    see,
  }
}

/** The first few parts that have these words, as somebody types them; null while nothing is asked. */
export function useFewParts(words: string, more: PartsQuery = {}, count = 8): readonly PartRow[] | null {
  const asked = useSettled(JSON.stringify({ ...more, words: words.trim() }))
  const some = words.trim().length >= 2
  const { data } = useQuery({
    queryKey: ['few parts', asked, count],
    queryFn: ({ signal }) => ask(JSON.parse(asked) as PartsQuery, 0, count, signal),
    enabled: some && (JSON.parse(asked) as { words: string }).words.length >= 2,
  })
  return some ? (data?.rows ?? null) : null
}
