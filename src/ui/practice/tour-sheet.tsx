'use client'
import { PRACTICE } from '@/core/practice'
import type { RoomView } from '@/stations/lessons/contract'
import { LESSON_WORDS } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import { TOUR_STEPS } from '@/words/tour'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { useGo } from '../common/going'
import { Problem, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import type { RoomActs } from './room-acts'

/** A tour that runs: its steps, and the way back to where it was left. */
export function TourSheet({ current: { run: id, steps }, end }: { readonly current: RoomView; readonly end: RoomActs['end'] }) {
  const go = useGo()
  const { busy, problem, run } = useAct()
  const done = Math.max(0, ...steps)
  const { title, job, goal } = LESSON_WORDS.tour
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={title}>{job}</Title>
          <ol className="max-w-[820px]">
            {TOUR_STEPS.map(({ title: name, text }, i) => (
              <li
                key={name}
                className={`border-rule border-b border-l-[5px] px-3 py-2 ${i === done ? 'border-l-act bg-base-200' : 'border-l-transparent'}`}
              >
                <b className="font-head text-[21px]">
                  {i < done ? '●' : '○'} {say.stepOf(i + 1, TOUR_STEPS.length, name)}
                </b>
                <p>{text}</p>
              </li>
            ))}
          </ol>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.goal}</h2>
          <p className="text-lg">{goal}</p>
          <div className="mt-auto pt-3">
            <Problem lead={say.notSaved} text={problem} />
            <BigAction onAct={() => go.push(PRACTICE + TOUR_STEPS[Math.min(done, TOUR_STEPS.length - 1)].page(null))}>
              {say.goOnThere}
            </BigAction>
            <SmallActions>
              <SmallAction disabled={busy} onAct={() => void run(() => end({ run: id }))}>
                {say.leaveTour}
              </SmallAction>
            </SmallActions>
          </div>
        </>
      }
    />
  )
}
