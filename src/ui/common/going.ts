'use client'
import { usePathname, useRouter } from 'next/navigation'
import { createContext, useContext, useMemo } from 'react'
import { isInPractice, pageOf, practised } from '@/core/practice'

/** Whether this page stands in the practice room: then its links, questions and files stay there. */
export const InPractice = createContext(false)

/** Where a page or file of ours stands for whoever looks at this one. */
export function useHere(): (href: string) => string {
  const inside = useContext(InPractice)
  return useMemo(() => (href: string) => (inside ? practised(href) : href), [inside])
}

/** The same outside of a component. */
export const fromHere = (href: string): string => (isInPractice(window.location.pathname) ? practised(href) : href)

/** Two shops have two frames: from one into the other the page is loaded anew. */
export const crosses = (inside: boolean, href: string): boolean =>
  href.startsWith('/') && isInPractice(href.split(/[?#]/, 1)[0]) !== inside

/** Which page is open, whichever shop it is of. */
export const usePage = (): string => pageOf(usePathname())

type Router = ReturnType<typeof useRouter>
export type Go = Pick<Router, 'refresh'> & Readonly<Record<'push' | 'replace', (href: string) => void>>

/** Leads to pages of the shop that one is in. */
export function useGo(): Go {
  const router = useRouter()
  const inside = useContext(InPractice)
  const here = useHere()
  return useMemo(() => {
    const go = (how: 'push' | 'replace') => (href: string) => {
      const to = here(href)
      if (!crosses(inside, to)) router[how](to)
      else window.location[how === 'push' ? 'assign' : 'replace'](to)
    }
    return { refresh: () => router.refresh(), push: go('push'), replace: go('replace') }
  }, [router, inside, here])
}
