import type { ReactNode } from 'react'
import type { Station } from '@/core/tool'
import { readRack } from '@/stations/rack/rack'
import { formatDue } from '@/ui/format/due'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Rack } from '@/ui/rack/rack'
import { signedIn } from '../_server/context'
import { say } from '@/words/screens/shell'

const EMPTY: Record<Station | 'kit', string> = {
  kit: say.noJobNeedsATool,
  build: say.nothingToBuildEveryTool,
  measure: say.noToolToMeasureYou,
  balance: say.noToolToBalance,
  'hand-over': say.noToolToHandOver,
  load: say.noToolToLoad,
}

/** Where a sheet is at work with a tool: it is not made anew under somebody's hands. */
const AT_A_BENCH: ReadonlySet<Station | 'kit'> = new Set(['build', 'measure', 'balance'])

/** A station's page: the rack of what waits there, and below it the sheet. */
export async function StationPage({
  station,
  current,
  job,
  children,
}: {
  readonly station: Station | 'kit'
  readonly current: string | null
  readonly job?: string
  readonly children: ReactNode
}) {
  const shop = await signedIn()
  const now = new Date(shop.now)
  const { items, more } = readRack(shop.db, station, shop.now, { job, current })
  const tools = items.map(({ dueAt, ...item }) => ({ ...item, due: formatDue(dueAt, now) }))
  return (
    <>
      {(current === null || !AT_A_BENCH.has(station)) && <KeepFresh />}
      <Rack tools={tools} current={current} more={more} empty={EMPTY[station]} />
      {children}
    </>
  )
}
