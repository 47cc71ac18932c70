'use client'
import { fromHere, useGo, type Go } from '../common/going'
import { useCallback, useMemo, useRef, useState, type ReactNode } from 'react'
import { ACTION_CARD } from '@/codecs/label-text'
import type { Person } from '@/core/tool'
import type { Units } from '@/core/units'
import { say } from '@/words/screens/shell'
import { useSignIn } from './use-sign-in'
import { ShellContext, type ScanSaid, type ScanUse, type Shell, type ShellActions } from './shell-context'

/** What is not saved on this page, and the question before it is left. */
function useLeaving(router: Go) {
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
  return useMemo(() => ({ leaving, go, leave, hasUnsaved, unsaved }), [leaving, go, leave, hasUnsaved, unsaved])
}

/** The big actions of what is open, the last one in front. */
function useBigActions() {
  const acts = useRef<(() => boolean)[]>([])
  // the last one that can be seen: one inside of something closed is not meant
  const doBigAction = useCallback(() => acts.current.toReversed().some((act) => act()), [])
  const bigAction = useCallback((act: () => boolean) => stacked(acts.current, act), [])
  return useMemo(() => ({ doBigAction, bigAction }), [doBigAction, bigAction])
}

/** Whoever wants to know that something was done at another terminal. */
function useNewsDesk() {
  const listeners = useRef<(() => void)[]>([])
  const tellNews = useCallback(() => listeners.current.forEach((hear) => hear()), [])
  const listenForNews = useCallback((hear: () => void) => stacked(listeners.current, hear), [])
  return useMemo(() => ({ tellNews, listenForNews }), [tellNews, listenForNews])
}

const offline = (scan: string): ScanSaid => ({ title: scan.slice(0, 24), text: say.noAnswerFromTheTool, tone: 'off' })

/** Scans, one after the other in the order they came: to the sheet in front, or else to the tool room. */
function useScanQueue({
  actions,
  router,
  doBigAction,
  hasUnsaved,
  go,
  signIn,
}: {
  readonly actions: ShellActions
  readonly router: Go
  readonly doBigAction: () => boolean
  readonly hasUnsaved: () => boolean
  readonly go: (href: string) => void
  readonly signIn: Shell['signIn']
}) {
  const uses = useRef<ScanUse[]>([])
  const queue = useRef<Promise<void>>(Promise.resolve())
  const [last, setLast] = useState<Shell['last']>(null)
  const [scans, setScans] = useState(0)

  const take = useCallback(
    async (text: string) => {
      const taker = uses.current.at(-1)
      const own = taker ? await taker(text) : null
      const said = own ?? (await actions.answerScan(text))
      const leads = said.href !== undefined && (own !== null || !hasUnsaved())
      // who works here is kept before it is said
      const notYet = said.personId === undefined ? null : await signIn(said.personId)
      setLast({ scan: text, said: notYet ?? said, arriving: leads })
      if (!said.href) return router.refresh()
      // what the sheet itself leads to was saved by it
      if (!own && hasUnsaved()) return go(said.href)
      router.push(said.href)
      await arrived(said.href)
      setLast((now) => (now?.said === said ? { scan: text, said } : now))
    },
    [actions, signIn, go, hasUnsaved, router],
  )
  const answer = useCallback(
    async (text: string, from: string) => {
      // a second, impatient scan was meant for the sheet that was in front when it came
      if (window.location.pathname !== from)
        return setLast({ scan: text, said: { title: text.slice(0, 24), text: say.thisScanCameBeforeThe, tone: 'off' } })
      setLast({ scan: text, said: null })
      if (text === ACTION_CARD) {
        const did = doBigAction()
        const text = did ? say.didWhatTheBigButton : say.noBigButton
        return setLast({ scan: say.actionCard, said: { title: say.actionCard, text, tone: did ? 'todo' : 'off' } })
      }
      await take(text).catch(() => setLast({ scan: text, said: offline(text) }))
    },
    [doBigAction, take],
  )
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
  return useMemo(() => ({ last, scans, scan, hold, sayScan, takeScans }), [last, scans, scan, hold, sayScan, takeScans])
}

/** What every sheet may ask of the frame around it. */
export function ShellProvider({
  units,
  text,
  theme,
  person,
  people,
  couplings,
  actions,
  children,
}: {
  readonly units: Units
  readonly text: 'usual' | 'large'
  readonly theme: 'granite' | 'basalt'
  readonly person: Person | null
  readonly people: readonly Person[]
  readonly couplings: Shell['couplings']
  readonly actions: ShellActions
  readonly children: ReactNode
}) {
  const router = useGo()
  const leaving = useLeaving(router)
  const big = useBigActions()
  const door = useSignIn(actions, people)
  const news = useNewsDesk()
  const queue = useScanQueue({
    actions,
    router,
    doBigAction: big.doBigAction,
    hasUnsaved: leaving.hasUnsaved,
    go: leaving.go,
    signIn: door.signIn,
  })
  const value = useMemo<Shell>(
    () => ({
      unit: units.length,
      units,
      text,
      theme,
      person,
      people,
      couplings,
      actions,
      ...door,
      ...news,
      ...queue,
      ...big,
      ...leaving,
    }),
    [units, text, theme, person, people, couplings, actions, door, news, queue, big, leaving],
  )
  return <ShellContext value={value}>{children}</ShellContext>
}

/** Half a minute: a page that takes longer has failed. */
const ARRIVE_TRIES = 750

/** Waits until a page has been reached, so that the next scan meets the sheet it was meant for. */
async function arrived(href: string): Promise<void> {
  const wanted = new URL(fromHere(href), window.location.href).href
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
