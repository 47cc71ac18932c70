'use client'
import { useRouter } from 'next/navigation'
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { ACTION_CARD } from '@/codecs/label-text'
import type { Person } from '@/core/tool'
import type { LengthUnit } from '@/core/units'
import { say } from '@/words/screens/shell'

/** What a scan was and did. */
export interface ScanSaid {
  readonly title: string
  readonly text: string
  readonly tone: 'holds' | 'off' | 'todo'
  readonly href?: string
  readonly personId?: string
  /** What the tool room knows it as; left out where it is none of these. */
  readonly kind?: 'holder' | 'job' | 'part' | 'place'
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
  readonly last: {
    readonly scan: string
    readonly said: ScanSaid | null
    /** The sheet it leads to is not there yet. */
    readonly arriving?: boolean
  } | null
  /** Scans taken since this page was opened. */
  readonly scans: number
  readonly scan: (text: string) => void
  /** Says in the scan field why something that should have been a scan was none. */
  readonly sayScan: (said: ScanSaid) => void
  readonly takeScans: (use: ScanUse) => () => void
  /** @param act returns whether it was there to be done */
  readonly bigAction: (act: () => boolean) => () => void
  readonly doBigAction: () => boolean
  /** Goes to another page; asks first where something here is not saved. */
  readonly go: (href: string) => void
  /** Scans wait until this work is over. */
  readonly hold: (work: Promise<unknown>) => void
  /** Says that this page holds something that is not saved; the returned function takes that back. */
  readonly unsaved: (what: string) => () => void
  readonly hasUnsaved: () => boolean
  /** What would be lost by leaving now; null when nothing would. */
  readonly leaving: { readonly what: string; readonly href: string } | null
  readonly leave: (go: boolean) => void
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

/** While `what` is not null, leaving this page by a link, a key, a scan or the browser asks first. */
export function useUnsaved(what: string | null): void {
  const { unsaved } = useShell()
  useEffect(() => {
    if (what === null) return
    const take = unsaved(what)
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => {
      take()
      window.removeEventListener('beforeunload', ask)
    }
  }, [what, unsaved])
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
  const acts = useRef<(() => boolean)[]>([])
  const queue = useRef<Promise<void>>(Promise.resolve())
  const [last, setLast] = useState<Shell['last']>(null)
  const [scans, setScans] = useState(0)
  const held = useRef<string[]>([])
  const [leaving, setLeaving] = useState<Shell['leaving']>(null)

  const go = useCallback(
    (href: string) => {
      const what = held.current.at(-1)
      if (what === undefined) router.push(href)
      else setLeaving({ what, href })
    },
    [router],
  )
  const leave = useCallback(
    (yes: boolean) => {
      if (yes && leaving) {
        held.current = []
        router.push(leaving.href)
      }
      setLeaving(null)
    },
    [leaving, router],
  )
  const hasUnsaved = useCallback(() => held.current.length > 0, [])
  const unsaved = useCallback((what: string) => stacked(held.current, what), [])

  const doBigAction = useCallback(() => {
    // the last one that can be seen: one inside of something closed is not meant
    return acts.current.toReversed().some((act) => act())
  }, [])

  const answer = useCallback(
    async (text: string, from: string) => {
      // a second, impatient scan was meant for the sheet that was in front when it came
      if (window.location.pathname !== from)
        return setLast({
          scan: text,
          said: { title: text.slice(0, 24), text: say.thisScanCameBeforeThe, tone: 'off' },
        })
      setLast({ scan: text, said: null })
      if (text === ACTION_CARD && acts.current.length) {
        doBigAction()
        setLast({ scan: say.actionCard, said: { title: say.actionCard, text: say.didWhatTheBigButton, tone: 'todo' } })
        return
      }
      try {
        const taker = uses.current.at(-1)
        const own = taker ? await taker(text) : null
        const said = own ?? (await actions.answerScan(text))
        const leads = said.href !== undefined && (own !== null || held.current.length === 0)
        // who works here is kept before it is said
        if (said.personId) await actions.setPerson(said.personId)
        setLast({ scan: text, said, arriving: leads })
        if (!said.href) return router.refresh()
        // what the sheet itself leads to was saved by it
        if (!own && held.current.length) return go(said.href)
        router.push(said.href)
        await arrived(said.href)
        setLast((now) => (now?.said === said ? { scan: text, said } : now))
      } catch {
        setLast({
          scan: text,
          said: {
            title: text.slice(0, 24),
            text: say.noAnswerFromTheTool,
            tone: 'off',
          },
        })
      }
    },
    [actions, doBigAction, go, router],
  )

  // one scan after the other, in the order they came
  const scan = useCallback(
    (text: string) => {
      setScans((n) => n + 1)
      const from = window.location.pathname
      queue.current = queue.current.then(() => answer(text, from))
    },
    [answer],
  )
  const hold = useCallback((work: Promise<unknown>) => {
    const over = work.then(
      () => undefined,
      () => undefined,
    )
    queue.current = queue.current.then(() => over)
  }, [])
  const sayScan = useCallback((said: ScanSaid) => setLast({ scan: said.title, said }), [])
  const takeScans = useCallback((use: ScanUse) => stacked(uses.current, use), [])
  const bigAction = useCallback((act: () => boolean) => stacked(acts.current, act), [])

  const value = useMemo(
    () => ({
      unit,
      theme,
      person,
      people,
      actions,
      last,
      scans,
      scan,
      sayScan,
      takeScans,
      bigAction,
      doBigAction,
      go,
      hold,
      unsaved,
      hasUnsaved,
      leaving,
      leave,
    }),
    [
      unit,
      theme,
      person,
      people,
      actions,
      last,
      scans,
      scan,
      sayScan,
      takeScans,
      bigAction,
      doBigAction,
      go,
      hold,
      unsaved,
      hasUnsaved,
      leaving,
      leave,
    ],
  )
  return <Context value={value}>{children}</Context>
}

/** Half a minute: a page that takes longer has failed. */
const ARRIVE_TRIES = 750

/** Waits until a page has been reached, so that the next scan meets the sheet it was meant for. */
async function arrived(href: string): Promise<void> {
  const wanted = new URL(href, window.location.href).href
  for (let i = 0; i < ARRIVE_TRIES && window.location.href !== wanted; i++)
    await new Promise((resolve) => setTimeout(resolve, 40))
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
