'use client'
import { useState } from 'react'
import type { RoomLesson } from '@/core/practice'
import type { RoomOffer, RoomsView } from '@/stations/lessons/contract'
import { LESSON_WORDS } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import { BigAction } from '../common/actions'
import { useGo } from '../common/going'
import Link from '../common/link'
import { Problem, Say, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { formatWhen } from '../format/due'
import type { RoomActs } from './room-acts'

/** Which lessons there are, and how somebody stands in each. */
export function RoomOffers({
  view: { offers, ready },
  first,
  start,
}: {
  readonly view: RoomsView
  readonly first: RoomLesson | null
  readonly start: RoomActs['start']
}) {
  // what comes again is offered first
  const [lesson, setLesson] = useState(first ?? (offers.find(({ due }) => due > 0) ?? offers[0]).lesson)
  const offer = offers.find((one) => one.lesson === lesson) ?? offers[0]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={say.inTheRoom}>{say.inTheRoomAbout}</Title>
          <ul className="max-w-[820px]">
            {offers.map((one) => (
              <li key={one.lesson} className="border-rule border-b">
                <button
                  type="button"
                  aria-pressed={one === offer}
                  onClick={() => setLesson(one.lesson)}
                  className={`flex min-h-16 w-full items-center gap-4 border-l-[5px] px-3 py-1.5 text-left ${one === offer ? 'border-act bg-base-200' : 'border-transparent'}`}
                >
                  <span className="flex-1">
                    <b className="font-head block text-[21px]">{LESSON_WORDS[one.lesson].title}</b>
                    <span className="text-soft">{say.takes(one.minutes, one.things)}</span>
                  </span>
                  <Standing offer={one} />
                </button>
              </li>
            ))}
          </ul>
        </>
      }
      right={<Begin key={offer.lesson} offer={offer} ready={ready} start={start} />}
    />
  )
}

function Standing({ offer: { last, things, due } }: { readonly offer: RoomOffer }) {
  return (
    <span className="text-right">
      <b className="figures block text-lg">
        {!last ? say.neverDone : things === 0 ? say.done : say.lastTime(Math.round(last.share * things), things)}
      </b>
      {due > 0 && <span className="text-unsure">◐ {say.comesAgainToday(due)}</span>}
    </span>
  )
}

function Begin({
  offer,
  ready,
  start,
}: {
  readonly offer: RoomOffer
  readonly ready: boolean
  readonly start: RoomActs['start']
}) {
  const go = useGo()
  const { busy, problem, run } = useAct()
  const { title, job, goal } = LESSON_WORDS[offer.lesson]
  return (
    <>
      <h2 className="text-2xl font-bold">{title}</h2>
      <h3 className="mt-3 text-lg font-bold">{say.yourJob}</h3>
      <p className="text-lg">{job}</p>
      <h3 className="mt-3 text-lg font-bold">{say.goal}</h3>
      <p className="text-lg">{goal}</p>
      {offer.last && offer.things > 0 && (
        <Link href={`/practice/lessons?run=${offer.last.run}`} className="row-link mt-2 text-lg">
          {say.howItWent}, {formatWhen(offer.last.at)}
        </Link>
      )}
      <div className="mt-auto pt-3">
        {!ready && <Say tone="unsure" lead={say.roomNotReady} />}
        <Problem lead={say.notStarted} text={problem} />
        <BigAction
          disabled={busy || !ready}
          onAct={() =>
            void run(
              () => start({ lesson: offer.lesson }),
              () => go.push('/practice/lessons'),
            )
          }
        >
          {say.beginLesson}
        </BigAction>
      </div>
    </>
  )
}
