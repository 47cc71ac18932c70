'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Result } from '@/core/units'

const POLL_MS = 500

interface Polled<T> {
  readonly value: T | null
  readonly problem: string | null
  readonly now: () => Promise<void>
}

/**
 * Asks a device twice a second while it is looked at.
 * @param silent what is said when the tool room does not answer
 * @param on whether it is asked at all
 */
export function usePolled<T>(
  ask: (given: Record<string, never>) => Promise<Result<T, { readonly text: string }>>,
  silent: string,
  on = true,
): Polled<T> {
  const [value, setValue] = useState<T | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const alive = useRef(true)
  const now = useCallback(async () => {
    try {
      const said = await ask({})
      if (!alive.current) return
      if (said.ok) setValue(said.value)
      setProblem(said.ok ? null : said.error.text)
    } catch {
      if (alive.current) setProblem(silent)
    }
  }, [ask, silent])
  useEffect(() => {
    if (!on) return
    alive.current = true
    let timer: ReturnType<typeof setTimeout>
    const again = async () => {
      await now()
      if (alive.current) timer = setTimeout(again, POLL_MS)
    }
    void again()
    return () => {
      alive.current = false
      clearTimeout(timer)
    }
  }, [now, on])
  return { value, problem, now }
}
