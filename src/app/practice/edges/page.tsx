import { z } from 'zod'
import { readLessons } from '@/stations/lessons/lessons'
import { LessonStation } from '@/ui/practice/lesson-station'
import { say } from '@/words/screens/practice'
import { signedIn } from '../../_server/context'
import { askOpinionAction, endLessonAction, sayFaultAction, startLessonAction } from './actions'

export const metadata = { title: say.readTheEdges }

const ACT = { start: startLessonAction, say: sayFaultAction, ask: askOpinionAction, end: endLessonAction }
const Run = z.coerce.number().int().positive().nullable().catch(null)

export default async function EdgesPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { db, person } = await signedIn()
  const run = Run.parse((await searchParams).run ?? null)
  const view = readLessons(db, person.id, run)
  return (
    <>
      <div />
      <LessonStation key={view.current?.run ?? 0} view={view} act={ACT} />
    </>
  )
}
