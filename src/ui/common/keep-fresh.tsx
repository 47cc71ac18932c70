'use client'
import { useRouter } from 'next/navigation'
import { useEffect } from 'react'

const EVERY_MS = 4000

/** Asks for the page again every few seconds while somebody can see it: another terminal may have moved on. */
export function KeepFresh() {
  const router = useRouter()
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') router.refresh()
    }, EVERY_MS)
    return () => clearInterval(timer)
  }, [router])
  return null
}
