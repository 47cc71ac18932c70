'use client'
import { usePathname } from 'next/navigation'
import { useEffect, useState, type ReactNode } from 'react'
import { isInPractice, type RoomLesson } from '@/core/practice'
import type { Ask } from '@/stations/contract'
import type { letTimePass } from '@/stations/stand-in/contract'
import { LESSON_WORDS } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import { InPractice } from '../common/going'
import Link from '../common/link'
import { useAct } from '../common/use-act'
import { TourGuide, type TourGuideProps } from './tour-guide'

/** Tells everything inside whether it stands in the practice room. A page of one shop in the frame of the other is loaded anew. */
export function Inside({ practice, children }: { readonly practice: boolean; readonly children: ReactNode }) {
  const path = usePathname()
  useEffect(() => {
    if (isInPractice(path) !== practice) window.location.reload()
  }, [path, practice])
  return <InPractice value={practice}>{children}</InPractice>
}

export interface StripProps {
  readonly lesson: RoomLesson
  readonly minutes: number
  /** ISO 8601, of the shop’s own clock. */
  readonly startedAt: string
  readonly letTimePass: Ask<typeof letTimePass>
  /** Where somebody is on their tour; null: it is none. */
  readonly tour: TourGuideProps | null
}

const MINUTE_MS = 60_000
const LATER_MIN = 10

/** The word and the band over every screen of the practice room, with the lesson that runs. */
export function PracticeStrip({ lesson, minutes, startedAt, letTimePass: pass, tour }: StripProps) {
  const { busy, run } = useAct()
  const gone = useMinutesSince(startedAt)
  return (
    <section
      aria-label={say.practiceWord}
      className="bg-unsure text-paper flex min-h-12 flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1"
      data-testid="practice-strip"
    >
      <b className="font-head text-2xl tracking-[0.12em]">{say.practiceWord}</b>
      <span className="font-head text-xl font-semibold">{LESSON_WORDS[lesson].title}</span>
      <span className="max-[1100px]:hidden">{say.nothingReaches}</span>
      <span className="figures ml-auto text-xl">{gone === null ? '' : say.minutesOf(gone, minutes)}</span>
      <button
        type="button"
        className="btn border-paper text-paper min-h-10 border bg-transparent px-3 max-[820px]:hidden"
        disabled={busy}
        onClick={() => void run(() => pass({ minutes: LATER_MIN }))}
      >
        {say.soMuchLater}
      </button>
      {tour ? (
        <TourGuide {...tour} />
      ) : (
        <Link href="/practice/lessons" className="btn bg-paper text-ink min-h-10 border-0 px-4">
          {say.whatIsWrong}
        </Link>
      )}
    </section>
  )
}

/** Whole minutes; null until the browser draws: its clock is not the server’s. */
function useMinutesSince(at: string): number | null {
  const [gone, setGone] = useState<number | null>(null)
  useEffect(() => {
    const look = () => setGone(Math.max(0, Math.floor((Date.now() - Date.parse(at)) / MINUTE_MS)))
    look()
    const timer = setInterval(look, MINUTE_MS / 6)
    return () => clearInterval(timer)
  }, [at])
  return gone
}
