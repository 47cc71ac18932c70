import type { ReactNode } from 'react'
import type { Station } from '@/core/tool'
import { readRack } from '@/stations/rack/rack'
import { formatDue } from '@/ui/format/due'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Rack } from '@/ui/rack/rack'
import { context } from '../_server/context'

const EMPTY: Record<Station | 'kit', string> = {
  kit: 'No job needs a tool. Add an NC program below.',
  build: 'Nothing to build. Every tool needed is built or in progress.',
  measure: 'No tool to measure. You can scan any holder to measure it.',
  'hand-over': 'No tool to hand over.',
  load: 'No tool to load.',
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
