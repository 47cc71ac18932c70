import { z } from 'zod'
import { isLead } from '@/core/tool'
import { readStudies } from '@/stations/study/studies'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { StudyStation } from '@/ui/records/study-station'
import { say } from '@/words/screens/study'
import { signedIn } from '../../_server/context'
import { endStudyAction, startStudyAction } from './actions'

export const metadata = { title: say.study }

export default async function StudyPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const id = z.coerce
    .number()
    .int()
    .positive()
    .nullable()
    .catch(null)
    .parse((await searchParams).id ?? null)
  const { db, person } = await signedIn()
  return (
    <>
      <KeepFresh />
      <div />
      <StudyStation view={readStudies(db, id)} lead={isLead(person)} start={startStudyAction} end={endStudyAction} />
    </>
  )
}
