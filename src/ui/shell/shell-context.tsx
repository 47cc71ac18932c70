'use client'
import { useRouter } from 'next/navigation'
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { ACTION_CARD } from '@/codecs/label-text'
import type { Person } from '@/core/tool'
import type { LengthUnit } from '@/core/units'

/** What a scan was and did. */
export interface ScanSaid {
  readonly title: string
  readonly text: string
  readonly tone: 'holds' | 'off' | 'todo'
  readonly href?: string
  readonly personId?: string
}

/** A sheet's own use for a scan; null when it has none, and the tool room answers. */
export type ScanUse = (text: string) => Promise<ScanSaid | null> | ScanSaid | null

export interface ShellActions {
  readonly answerScan: (text: string) => Promise<ScanSaid>
  readonly setUnit: (unit: LengthUnit) => Promise<void>
  readonly setTheme: (theme: 'granite' | 'basalt') => Promise<void>
  readonly setPerson: (id: string) => Promise<void>
}

interface Shell {
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
  readonly person: Person | null
  readonly people: readonly Person[]
  readonly actions: ShellActions
  readonly last: { readonly scan: string; readonly said: ScanSaid | null } | null
  /** Scans taken since this page was opened. */
  readonly scans: number
  readonly scan: (text: string) => void
  /** Says in the scan field why something that should have been a scan was none. */
  readonly sayScan: (said: ScanSaid) => void
  readonly takeScans: (use: ScanUse) => () => void
  readonly bigAction: (act: () => void) => () => void
  readonly doBigAction: () => boolean
}

const Context = createContext<Shell | null>(null)

export function useShell(): Shell {
  const shell = useContext(Context)
  if (!shell) throw new Error('useShell outside of the shell')
  return shell
}

export const useUnit = (): LengthUnit => useShell().unit

/** While this sheet is open, scans come here first. */
export function useScans(use: ScanUse): void {
  const { takeScans } = useShell()
  const current = useRef(use)
  useEffect(() => {
    current.current = use
  })
  useEffect(() => takeScans((text) => current.current(text)), [takeScans])
}

export function ShellProvider(props: {
  readonly unit: LengthUnit
  readonly theme: 'granite' | 'basalt'
  readonly person: Person | null
  readonly people: readonly Person[]
  readonly actions: ShellActions
  readonly children: ReactNode
}) {
  const { unit, theme, person, people, actions, children } = props
  const router = useRouter()
  const uses = useRef<ScanUse[]>([])
  const acts = useRef<(() => void)[]>([])
  const queue = useRef<Promise<void>>(Promise.resolve())
  const [last, setLast] = useState<Shell['last']>(null)
  const [scans, setScans] = useState(0)

  const doBigAction = useCallback(() => {
    const act = acts.current.at(-1)
    act?.()
    return act !== undefined
  }, [])

  const answer = useCallback(
    async (text: string) => {
      setLast({ scan: text, said: null })
      if (text === ACTION_CARD && acts.current.length) {
        doBigAction()
        setLast({ scan: 'Action card', said: { title: 'Action card', text: 'did what the big button does', tone: 'todo' } })
        return
      }
      try {
        const own = uses.current.at(-1)
        const said = (own && (await own(text))) ?? (await actions.answerScan(text))
        setLast({ scan: text, said })
        if (said.personId) await actions.setPerson(said.personId)
        if (!said.href) return router.refresh()
        router.push(said.href)
        await arrived(said.href)
      } catch {
        setLast({
          scan: text,
          said: {
            title: text.slice(0, 24),
            text: 'No answer from the tool room. Look whether this terminal is connected, then scan again.',
            tone: 'off',
          },
        })
      }
    },
    [actions, doBigAction, router],
  )

  // one scan after the other, in the order they came
  const scan = useCallback(
    (text: string) => {
      setScans((n) => n + 1)
      queue.current = queue.current.then(() => answer(text))
    },
    [answer],
  )
  const sayScan = useCallback((said: ScanSaid) => setLast({ scan: said.title, said }), [])
  const takeScans = useCallback((use: ScanUse) => stacked(uses.current, use), [])
  const bigAction = useCallback((act: () => void) => stacked(acts.current, act), [])

  const value = useMemo(
    () => ({ unit, theme, person, people, actions, last, scans, scan, sayScan, takeScans, bigAction, doBigAction }),
    [unit, theme, person, people, actions, last, scans, scan, sayScan, takeScans, bigAction, doBigAction],
  )
  return <Context value={value}>{children}</Context>
}

/** Waits until a page has been reached, so that the next scan meets the sheet it was meant for. */
async function arrived(href: string): Promise<void> {
  const wanted = new URL(href, window.location.href).href
  for (let i = 0; i < 100 && window.location.href !== wanted; i++) await new Promise((resolve) => setTimeout(resolve, 40))
  await new Promise((resolve) => setTimeout(resolve, 60)) // its effects have run: it listens
}

/** Puts something on a stack; the returned function takes just that off again. */
function stacked<T>(stack: T[], item: T): () => void {
  stack.push(item)
  return () => {
    const at = stack.lastIndexOf(item)
    if (at >= 0) stack.splice(at, 1)
  }
}
