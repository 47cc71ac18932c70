'use client'
import type { Ask } from '@/stations/contract'
import type { startRoom } from '@/stations/lessons/contract'
import { say } from '@/words/screens/practice'
import { useGo } from '../common/going'
import { useAct } from '../common/use-act'
import { TOUR_STEPS } from '@/words/tour'

/** Offers the tour to whoever has never practised. */
export function NewHere({ start }: { readonly start: Ask<typeof startRoom> }) {
  const go = useGo()
  const { busy, problem, run } = useAct()
  return (
    <div className="mt-auto px-[18px] pt-3 pb-1 max-[900px]:px-2.5">
      <span className="text-soft block text-[15px]">{say.newHere}</span>
      <button
        type="button"
        disabled={busy}
        className="font-head text-act min-h-11 text-left text-lg leading-tight font-semibold"
        onClick={() =>
          void run(
            () => start({ lesson: 'tour' }),
            () => go.push(`/practice${TOUR_STEPS[0].page(null)}`),
          )
        }
      >
        {say.takeTheTour}
      </button>
      {problem && (
        <span role="alert" className="text-off block text-[15px]">
          {problem}
        </span>
      )}
    </div>
  )
}
