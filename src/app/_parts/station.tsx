import type { ReactNode } from 'react'
import type { Station } from '@/core/tool'
import { readRack } from '@/stations/rack/rack'
import { formatDue } from '@/ui/format/due'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Rack } from '@/ui/rack/rack'
import { context } from '../_server/context'
import { say } from '@/words/screens/shell'

const EMPTY: Record<Station | 'kit', string> = {
  kit: say.noJobNeedsATool,
  build: say.nothingToBuildEveryTool,
  measure: say.noToolToMeasureYou,
  balance: say.noToolToBalance,
  'hand-over': say.noToolToHandOver,
  load: say.noToolToLoad,
}

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
  const shop = await context()
  const now = new Date(shop.now)
  const { items, more } = readRack(shop.db, station, shop.now, { job, current })
  const tools = items.map(({ dueAt, ...item }) => ({ ...item, due: formatDue(dueAt, now) }))
  return (
    <>
      {/* a bench that measures is not disturbed */}
      {current === null && station !== 'measure' && <KeepFresh />}
      <Rack tools={tools} current={current} more={more} empty={EMPTY[station]} />
      {children}
    </>
  )
}
