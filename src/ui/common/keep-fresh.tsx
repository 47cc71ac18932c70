'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useTransition } from 'react'

const EVERY_MS = 4000

/**
 * Asks for the page again every so often while somebody can see it: another terminal may have moved on. Never before the
 * last answer is drawn: on a slow line questions would pile up, and none of their answers would ever be seen.
 */
export function useKeepFresh(everyMs: number, on = true): void {
  const router = useRouter()
  const [asking, start] = useTransition()
  const busy = useRef(false)
  useEffect(() => {
    busy.current = asking
  }, [asking])
  useEffect(() => {
    if (!on) return
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible' && !busy.current) start(() => router.refresh())
    }, everyMs)
    return () => clearInterval(timer)
  }, [router, everyMs, on])
}

export function KeepFresh() {
  useKeepFresh(EVERY_MS)
  return null
}
