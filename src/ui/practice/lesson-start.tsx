'use client'
import { useGo } from '../common/going'
import type { Ask } from '@/stations/contract'
import type * as lessons from '@/stations/lessons/contract'
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
export function Start({ start }: Pick<LessonActs, 'start'>) {
  const router = useGo()
  const { busy, problem, run } = useAct()
  return (
    <>
      <p className="text-lg">{say.howItGoes}</p>
      <div className="mt-auto pt-3">
        <Problem lead={say.notStarted} text={problem} />
        <BigAction
          disabled={busy}
          onAct={() =>
            void run(
              () => start({}),
              () => router.push('/practice/edges'),
            )
          }
        >
          {say.startLesson}
        </BigAction>
      </div>
    </>
  )
}
