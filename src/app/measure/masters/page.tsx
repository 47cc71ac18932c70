import { isLead } from '@/core/tool'
import { masterTicket } from '@/runtime/bench-ticket'
import { readMasters } from '@/stations/measure/pages'
import { dueText } from '@/words/measure'
import { MastersStation } from '@/ui/measure/masters-station'
import { signedIn } from '../../_server/context'
import { addAdapterAction, changeAdapterAction, overruleCheckAction, renewMasterAction } from '../actions'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.masters }

export default async function MastersPage() {
  const shop = await signedIn()
  const { bench, adapters, again, checks } = readMasters(shop.db, shop.now)
  return (
    <>
      <div />
      <MastersStation
        key={`${bench.check?.id ?? 0}-${bench.adapter?.since ?? ''}`}
        adapter={bench.adapter}
        master={bench.master}
        adapters={adapters}
        again={again}
        addAdapter={addAdapterAction}
        renew={renewMasterAction}
        checks={checks}
        checkId={bench.check?.id ?? null}
        zero={bench.zero}
        due={bench.due && dueText(bench.due)}
        overruled={bench.due ? (bench.overrule?.reason ?? null) : null}
        lead={isLead(shop.person)}
        ticket={bench.master && shop.devices().bench === 'stand-in' ? masterTicket(shop.db, bench.master, shop.now) : null}
        now={shop.now}
        changeAdapter={changeAdapterAction}
        overrule={overruleCheckAction}
      />
    </>
  )
}
