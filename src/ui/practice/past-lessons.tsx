import Link from '../common/link'
import type { LessonsView } from '@/stations/lessons/contract'
import { CAUSE_NAMES } from '@/words/causes'
import { say } from '@/words/screens/practice'
import { formatWhen } from '../format/due'

/** Lessons of before, and what comes again. */
export function PastLessons({ view: { past, due } }: { readonly view: LessonsView }) {
  if (past.length === 0) return null
  return (
    <div className="mt-6 grid max-w-[820px] grid-cols-2 gap-8">
      <section>
        <h2 className="text-xl font-bold">{say.past}</h2>
        <ul>
          {past.map(({ run, at, share, tools }) => (
            <li key={run} className="border-rule border-b">
              <Link href={`/practice/edges?run=${run}`} className="flex min-h-11 items-center justify-between gap-3">
                <span>{formatWhen(at)}</span>
                <b className="figures">{say.rightOf(Math.round(share * tools), tools)}</b>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="text-xl font-bold">{say.comesAgain}</h2>
        <ul>
          {due.slice(0, 8).map(({ code, dueAt }) => (
            <li key={code} className="border-rule flex min-h-11 items-center justify-between gap-3 border-b">
              <span>{CAUSE_NAMES[code]}</span>
              <span className="text-soft">{formatWhen(dueAt)}</span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  )
}
