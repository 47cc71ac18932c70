'use client'
import type { Ask } from '@/stations/contract'
import type * as lessons from '@/stations/lessons/contract'
import { say } from '@/words/screens/practice'
import { TOUR_STEPS } from '@/words/tour'
import { useGo } from '../common/going'
import { useAct } from '../common/use-act'

export interface TourGuideProps {
  readonly run: number
  /** Steps that are done. */
  readonly done: number
  /** The tool’s label as it was handed over; null: not yet. */
  readonly label: string | null
  readonly stepDone: Ask<typeof lessons.stepDone>
  readonly end: Ask<typeof lessons.endRoom>
}

/** What is done at this station, and the way to the next; the tour can be left at any time. */
export function TourGuide({ run, done, label, stepDone, end }: TourGuideProps) {
  const go = useGo()
  const { busy, run: act } = useAct()
  const at = Math.min(done, TOUR_STEPS.length - 1)
  const step = TOUR_STEPS[at]
  const next = TOUR_STEPS.at(at + 1)
  const last = at === TOUR_STEPS.length - 1
  const leave = () =>
    void act(
      () => end({ run }),
      () => go.push('/practice/lessons'),
    )
  const light = 'btn bg-paper text-ink min-h-10 border-0 px-4'
  return (
    <>
      <button
        type="button"
        className="btn border-paper text-paper min-h-10 border bg-transparent px-3"
        disabled={busy}
        onClick={leave}
      >
        {say.leaveTour}
      </button>
      <p className="border-paper/50 flex basis-full items-center gap-4 border-t pt-1 pb-0.5 text-lg leading-snug">
        <b className="font-head shrink-0 text-xl">{say.stepOf(at + 1, TOUR_STEPS.length, step.title)}</b>
        <span className="min-w-0 flex-1">{step.text}</span>
        <button type="button" className={`${light} shrink-0`} onClick={() => go.push(step.page(label))}>
          {say.goToStep}
        </button>
        <button
          type="button"
          className={`${light} shrink-0`}
          disabled={busy}
          onClick={() =>
            last || !next
              ? leave()
              : void act(
                  () => stepDone({ run, step: at + 1 }),
                  () => go.push(next.page(label)),
                )
          }
        >
          {last ? say.endTour : say.nextStep}
        </button>
      </p>
    </>
  )
}
