'use client'
import { useState } from 'react'
import { TOUR, type FaultCode, type RoomLesson } from '@/core/practice'
import type { RoomsView, RoomThing, RoomView } from '@/stations/lessons/contract'
import { FAULT_NAMES, LESSON_WORDS } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { useGo } from '../common/going'
import { Problem, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { RoomOffers } from './room-offers'
import { RoomResult } from './room-result'
import { FaultChoices } from './fault-choices'
import type { RoomActs } from './room-acts'
import { TourSheet } from './tour-sheet'
import { thingName, ThingRow } from './thing-card'

/** Lessons in the practice room: which there are, what is looked at in the one that runs, how the last one went. */
/** @param first the lesson that is offered first, by whoever led here; null: nobody did */
export function RoomStation({
  view,
  first,
  act,
}: {
  readonly view: RoomsView
  readonly first: RoomLesson | null
  readonly act: RoomActs
}) {
  const { current } = view
  if (!current) return <RoomOffers view={view} first={first} start={act.start} />
  if (current.lesson === TOUR) return <TourSheet current={current} end={act.end} />
  return current.result ? <RoomResult current={current} result={current.result} /> : <Running current={current} act={act} />
}

function Running({ current, act }: { readonly current: RoomView; readonly act: RoomActs }) {
  const [number, setNumber] = useState(1)
  const thing = current.things.find((t) => t.number === number) ?? current.things[0]
  const { title, job, goal } = LESSON_WORDS[current.lesson]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={title}>{job}</Title>
          <p className="text-lg">
            <b>{say.goal}</b> {goal}
          </p>
          <ul aria-label={say.things} className="max-w-[820px]">
            {current.things.map((one) => (
              <ThingRow key={one.number} thing={one} chosen={one === thing} choose={() => setNumber(one.number)} />
            ))}
          </ul>
        </>
      }
      right={<Answer key={thing.number} current={current} thing={thing} act={act} />}
    />
  )
}

function Answer({ current, thing, act }: { readonly current: RoomView; readonly thing: RoomThing; readonly act: RoomActs }) {
  const go = useGo()
  const { busy, problem, run } = useAct()
  const all = current.things.every((t) => t.said !== null)
  const codes: readonly (FaultCode | 'NOTHING')[] = ['NOTHING', ...current.faults]
  const end = () =>
    void run(
      () => act.end({ run: current.run }),
      () => go.push(`/practice/lessons?run=${current.run}`),
    )
  return (
    <>
      <h2 className="text-2xl font-bold">{say.whatIsWrongHere(thingName(thing.card))}</h2>
      <FaultChoices
        label={say.whatIsWrongHere(thingName(thing.card))}
        codes={codes}
        names={FAULT_NAMES}
        taken={thing.said}
        busy={busy}
        choose={(code) => void run(() => act.say({ run: current.run, number: thing.number, code }))}
      />
      <Problem lead={say.notSaved} text={problem} />
      <div className="mt-auto pt-3">
        {all ? (
          <BigAction disabled={busy} onAct={end}>
            {say.seeHowItWent}
          </BigAction>
        ) : (
          <BigAction onAct={() => go.push('/practice/kit')}>{say.goOnThere}</BigAction>
        )}
        <SmallActions>
          {all ? (
            <SmallAction href="/practice/kit">{say.goOnThere}</SmallAction>
          ) : (
            <SmallAction disabled={busy} onAct={end}>
              {say.endLesson}
            </SmallAction>
          )}
        </SmallActions>
      </div>
    </>
  )
}
