import { readReturns } from '@/stations/records/returns'
import { ReturnsStation } from '@/ui/records/returns-station'
import { say } from '@/words/screens/months'
import { signedIn } from '../../_server/context'
import { daysAsked } from '../../_server/params'

export const metadata = { title: say.returns }

export default async function ReturnsPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { db, now } = await signedIn()
  return (
    <>
      <div />
      <ReturnsStation {...readReturns(db, now, daysAsked(await searchParams))} />
    </>
  )
}
