'use client'
import { useGo } from './going'
import { useCallback, useEffect, useRef, useTransition } from 'react'
import { useNews, useShell } from '../shell/shell-context'

/** What nobody does, such as a time that passes, is seen this much later at most. */
const EVERY_MS = 30_000
/** Several things done at once are one, and not all terminals ask in the same moment; still within a second. */
const TOGETHER_MS = 150
const APART_MS = 600

/**
 * Asks for the page again when something was done at another terminal, and every so often, while somebody can see it. Never
 * before the last answer is drawn: on a slow line questions would pile up, and none of their answers would ever be seen. Nor
 * where something typed would be lost.
 */
export function useKeepFresh(everyMs: number, on = true): void {
  const router = useGo()
  const [asking, start] = useTransition()
  const { hasUnsaved } = useShell()
  const busy = useRef(false)
  const late = useRef(false)
  const ask = useCallback(() => {
    if (document.visibilityState !== 'visible' || hasUnsaved()) return
    late.current = busy.current
    if (!busy.current) start(() => router.refresh())
  }, [router, hasUnsaved])
  useEffect(() => {
    busy.current = asking
    // what was done while the last answer was on its way is not in it
    if (!asking && late.current) ask()
  }, [asking, ask])
  const soon = useRef<ReturnType<typeof setTimeout>>(undefined)
  useNews(() => {
    clearTimeout(soon.current)
    soon.current = setTimeout(ask, TOGETHER_MS + APART_MS * Math.random())
  })
  useEffect(() => {
    if (!on) return
    const timer = setInterval(ask, everyMs)
    return () => clearInterval(timer)
  }, [ask, everyMs, on])
  useEffect(() => () => clearTimeout(soon.current), [])
}

export function KeepFresh() {
  useKeepFresh(EVERY_MS)
  return null
}
