import { format } from 'date-fns'
import { readThatDay } from '@/stations/records/that-day'
import { RECORDS_TABS } from '@/ui/common/sub-nav'
import { ThatDayStation } from '@/ui/records/that-day-station'
import { say } from '@/words/screens/months'
import { NoMachine } from '../../_parts/no-machine'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.thatDay }

/** As a browser's field has it, in the shop's zone; anything else is now. */
function momentOf(text: unknown, now: string): string {
  const at = typeof text === 'string' && /^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(text) ? new Date(text) : null
  return at && !Number.isNaN(at.getTime()) ? at.toISOString() : now
}

export default async function ThatDayPage({ searchParams }: { readonly searchParams: Promise<Record<string, unknown>> }) {
  const { machine, at } = await searchParams
  const { db, now } = await signedIn()
  const asked = { machine: typeof machine === 'string' ? machine : null, at: momentOf(at, now) }
  const day = readThatDay(db, asked, now)
  if (!day) return <NoMachine lead={say.thatDay} tabs={RECORDS_TABS} label={say.thatDay} />
  const named = ({ key, name }: { readonly key: string; readonly name: string }) => ({ key, name })
  return (
    <>
      <div />
      <ThatDayStation
        key={`${day.machine.key} ${day.at}`}
        machine={named(day.machine)}
        machines={day.machines.map(named)}
        moment={format(new Date(day.at), "yyyy-MM-dd'T'HH:mm")}
        there={day.there}
        since={day.since}
      />
    </>
  )
}
