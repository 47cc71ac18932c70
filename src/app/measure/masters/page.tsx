import { listAdapters, listChecks } from '@/db/bench/read'
import { masterTicket } from '@/runtime/bench-ticket'
import { readBench } from '@/stations/measure/bench-state'
import { dueText } from '@/words/measure'
import { readHeld } from '@/stations/measure/look-back'
import { MastersStation } from '@/ui/measure/masters-station'
import { context } from '../../_server/context'
import { addAdapterAction, changeAdapterAction, overruleCheckAction, renewMasterAction } from '../actions'

export const metadata = { title: 'Masters' }

/** Checks that the chart and the list go back to. */
const SHOWN = 40

export default async function MastersPage() {
  const shop = await context()
  const bench = readBench(shop.db, shop.now)
  return (
    <>
      <div />
      <MastersStation
        key={`${bench.check?.id ?? 0}-${bench.adapter?.since ?? ''}`}
        adapter={bench.adapter}
        master={bench.master}
        adapters={listAdapters(shop.db)}
        again={readHeld(shop.db)}
        addAdapter={addAdapterAction}
        renew={renewMasterAction}
        checks={listChecks(shop.db, SHOWN)}
        checkId={bench.check?.id ?? null}
        zero={bench.zero}
        due={bench.due && dueText(bench.due)}
        overruled={bench.due ? (bench.overrule?.reason ?? null) : null}
        lead={shop.person?.role === 'lead'}
        ticket={bench.master && masterTicket(shop.db, bench.master, shop.now)}
        now={shop.now}
        changeAdapter={changeAdapterAction}
        overrule={overruleCheckAction}
      />
    </>
  )
}
