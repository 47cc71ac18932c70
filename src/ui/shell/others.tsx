'use client'
import { fromHere, useGo } from '../common/going'
import { useEffect, useRef, useState } from 'react'
import type { News } from '@/stations/records/contract'
import { say } from '@/words/screens/shell'
import { Say } from '../common/sheet'
import { useShell } from './shell-context'

/** A line that is back within this time was never missed. */
const MISSED_MS = 4000
/** A browser comes back by itself but after an answer that turned it away. */
const AGAIN_MS = 5000
/** How long a note of what somebody did stays. */
const NOTE_MS = 20_000

/** Listens for what is done at other terminals. @returns the last of it, and whether the line is lost */
function useOthers(): { readonly news: News | null; readonly lost: boolean } {
  const { tellNews, person } = useShell()
  const router = useGo()
  const [news, setNews] = useState<News | null>(null)
  const [lost, setLost] = useState(false)
  const latest = useRef({ tellNews, router })
  useEffect(() => {
    latest.current = { tellNews, router }
  })
  const who = person?.id
  useEffect(() => {
    let away: ReturnType<typeof setTimeout> | undefined
    let hangUp: (() => void) | null = null
    const call = (): (() => void) => {
      const events = new EventSource(fromHere('/api/events'))
      let missed: ReturnType<typeof setTimeout> | undefined
      let retry: ReturnType<typeof setTimeout> | undefined
      let gone = false
      events.addEventListener('open', () => {
        clearTimeout(missed)
        missed = undefined
        setLost(false)
        // what was done meanwhile was not heard
        if (gone) latest.current.tellNews()
        gone = false
      })
      events.addEventListener('error', () => {
        gone = true
        missed ??= setTimeout(() => setLost(true), MISSED_MS)
        if (events.readyState !== EventSource.CLOSED) return
        // answered, but turned away: nobody is signed in here any more, or something between is out of order
        latest.current.router.refresh()
        retry = setTimeout(() => {
          hangUp?.()
          hangUp = call()
          latest.current.tellNews()
        }, AGAIN_MS)
      })
      events.addEventListener('done', ({ data }: MessageEvent<string>) => {
        const told = JSON.parse(data) as News | null
        if (told) {
          setNews(told)
          clearTimeout(away)
          away = setTimeout(() => setNews(null), NOTE_MS)
        }
        latest.current.tellNews()
      })
      return () => {
        events.close()
        clearTimeout(missed)
        clearTimeout(retry)
      }
    }
    // a browser has six lines to one server: tabs that nobody sees leave them to the others
    const look = () => {
      const seen = document.visibilityState === 'visible'
      if (seen && !hangUp) {
        hangUp = call()
        latest.current.tellNews()
      } else if (!seen) {
        hangUp?.()
        hangUp = null
      }
    }
    if (document.visibilityState === 'visible') hangUp = call()
    document.addEventListener('visibilitychange', look)
    return () => {
      document.removeEventListener('visibilitychange', look)
      hangUp?.()
      clearTimeout(away)
    }
  }, [who])
  return { news, lost }
}

/** A quiet note of what somebody else has just done, and a loud one when the line to the tool room is lost. */
export function Others() {
  const { person } = useShell()
  const { news, lost } = useOthers()
  if (lost)
    return (
      <div className="fixed top-16 left-1/2 z-50 w-max max-w-[min(760px,92vw)] -translate-x-1/2 shadow-lg">
        <Say tone="off" lead={say.noLine} role="alert">
          {say.noLineAbout}
        </Say>
      </div>
    )
  if (!news || news.who === person?.name) return null
  const about = [news.t === null ? null : `T${news.t}`, news.serial ?? news.machine].filter((part) => part !== null)
  return (
    <p
      className="text-soft mt-auto shrink-0 px-[18px] pt-2 pb-1 text-[15px] leading-snug max-[900px]:px-2.5"
      aria-live="off"
      data-testid="news"
    >
      <b className="block truncate font-semibold">{news.who}</b>
      {news.what}
      {about.length > 0 && <span className="block truncate">{about.join(' ')}</span>}
    </p>
  )
}
