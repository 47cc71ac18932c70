import { readLearned } from '@/stations/records/learned'
import { LearnedStation } from '@/ui/records/learned-station'
import { say } from '@/words/screens/months'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.learned }

export default async function LearnedPage({ searchParams }: { readonly searchParams: Promise<{ adapter?: string | string[] }> }) {
  const { adapter } = await searchParams
  const { db } = await signedIn()
  return (
    <>
      <div />
      <LearnedStation view={readLearned(db)} adapter={typeof adapter === 'string' ? adapter : null} />
    </>
  )
}
