import { readWatched } from '@/stations/watch/watched'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { WatchStation } from '@/ui/records/watch-station'
import { say } from '@/words/screens/months'
import { signedIn } from '../../_server/context'
import { keepOpenAction, lookNowAction, takeAsWearAction } from './actions'

export const metadata = { title: say.watch }

const ACT = { look: lookNowAction, wear: takeAsWearAction, keep: keepOpenAction }

/** Each control's table against what was handed over, as it was read last. */
export default async function WatchPage() {
  const { db } = await signedIn()
  return (
    <>
      <KeepFresh />
      <div />
      <WatchStation machines={readWatched(db)} act={ACT} />
    </>
  )
}
