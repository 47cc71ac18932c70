'use client'
import { useGo } from '../common/going'
import type { Ask } from '@/stations/contract'
import type * as lessons from '@/stations/lessons/contract'
import type { LessonsView } from '@/stations/lessons/contract'
import { say } from '@/words/screens/practice'
import { BigAction } from '../common/actions'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'

export interface LessonActs {
  readonly start: Ask<typeof lessons.startLesson>
  readonly say: Ask<typeof lessons.sayFault>
  readonly ask: Ask<typeof lessons.askOpinion>
  readonly end: Ask<typeof lessons.endLesson>
}

/** Begins another lesson, and shows it whatever was looked at. */
export function Start({ start, own }: Pick<LessonActs, 'start'> & Pick<LessonsView, 'own'>) {
  const router = useGo()
  const { busy, problem, run } = useAct()
  const begin = (asked: { readonly own?: number }) =>
    void run(
      () => start(asked),
      () => router.push('/practice/edges'),
    )
  return (
    <>
      <p className="text-lg">{say.howItGoes}</p>
      {own.length > 0 && (
        <section className="mt-3">
          <h3 className="text-xl font-bold">{say.ofRealTools}</h3>
          {own.map(({ id, title, tools }) => (
            <button
              key={id}
              type="button"
              disabled={busy}
              className="btn btn-outline mt-2 h-auto min-h-12 w-full justify-between px-3 text-left"
              onClick={() => begin({ own: id })}
            >
              <span className="truncate">{title}</span> <span className="text-soft shrink-0">{say.realTools(tools)}</span>
            </button>
          ))}
        </section>
      )}
      <div className="mt-auto pt-3">
        <Problem lead={say.notStarted} text={problem} />
        <BigAction disabled={busy} onAct={() => begin({})}>
          {say.startLesson}
        </BigAction>
      </div>
    </>
  )
}
