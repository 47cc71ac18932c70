import { readWorth } from '@/stations/records/worth'
import { WorthStation } from '@/ui/records/worth-station'
import { refusalText } from '@/words/refusals'
import { say } from '@/words/screens/months'
import { signedIn } from '../../_server/context'
import { daysAsked } from '../../_server/params'

export const metadata = { title: say.worth }

/** So many reasons are shown. */
const SHOWN = 20

export default async function WorthPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const days = daysAsked(await searchParams)
  const { db, now, units } = await signedIn()
  const view = readWorth(db, now, days)
  return (
    <>
      <div />
      <WorthStation
        key={days}
        days={view.days}
        loads={view.loads}
        stops={view.stops}
        refusals={view.refusals
          .slice(0, SHOWN)
          .map(({ where, last, count }) => ({ where, count, text: refusalText(last, units) }))}
      />
    </>
  )
}
