import Link from 'next/link'
import type { ReactNode } from 'react'
import { readShift } from '@/stations/kit/shift'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatTime, formatWhen } from '@/ui/format/due'
import { ShiftNotes } from '@/ui/kit/shift-notes'
import { StationPage } from '../../_parts/station'
import { context } from '../../_server/context'
import { tickOffAction, writeNoteAction } from '../actions'

export const metadata = { title: 'Next shift' }

const WAITS = { built: 'to measure', measured: 'to hand over', released: 'to load', loaded: '', apart: '' } as const

export default async function ShiftPage() {
  const shop = await context()
  const { builds, hot, waiting, fetched, notes } = readShift(shop.db, shop.now)
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label="Sheets of Kit" heading />
            <Group title="Half built" none="No tool is half built.">
              {builds.map((b) => (
                <Line
                  key={b.id}
                  href={`/build?job=${encodeURIComponent(b.job)}&t=${b.t}&serial=${b.serial}`}
                  lead={`T${b.t} on ${b.serial}`}
                >
                  {b.who} began it {formatWhen(b.startedAt)} for {b.job}, {b.done.length} steps done
                </Line>
              ))}
            </Group>
            <Group title="Hot" none="Nothing is hot by the computed times.">
              {hot.map((a) => (
                <Line key={a.serial} href={`/tools/${a.serial}`} lead={`T${a.t ?? '?'} on ${a.serial}`} tone="text-off">
                  earliest time to touch {formatTime(a.touchAt)}. Follow the unit’s light
                </Line>
              ))}
            </Group>
            <Group title="Waiting" none="No tool is waiting.">
              {waiting.map((a) => (
                <Line key={a.id} href={`/tools/${a.serial}`} lead={`T${a.t ?? '?'} on ${a.serial}`}>
                  {a.name}, {WAITS[a.state]}
                  {a.place ? `, ${a.place}` : ', on the bench'}
                  {a.lastHand ? `, last used by ${a.lastHand}` : ''}
                  {a.condition !== 'fit' ? `, ${a.condition}` : ''}
                </Line>
              ))}
            </Group>
            <Group title="Picked and not built in" none="Every part is in its place or in a tool.">
              {fetched.map(({ job, component, name, count }) => (
                <Line key={`${job}-${component}`} href={`/kit/${encodeURIComponent(job)}`} lead={job}>
                  {count} × {name}
                </Line>
              ))}
            </Group>
          </>
        }
        right={
          <ShiftNotes
            notes={notes.map((n) => ({ id: n.id, text: n.text, said: `${n.who}, ${formatWhen(n.at)}` }))}
            write={writeNoteAction}
            tick={tickOffAction}
          />
        }
      />
    </StationPage>
  )
}

function Group({
  title,
  none,
  children,
}: {
  readonly title: string
  readonly none: string
  readonly children: readonly ReactNode[]
}) {
  return (
    <section className="mb-2">
      <h2 className="text-2xl font-bold">{title}</h2>
      {children.length ? <ul>{children}</ul> : <p className="text-soft py-1">{none}</p>}
    </section>
  )
}

function Line({
  href,
  lead,
  tone = '',
  children,
}: {
  readonly href: string
  readonly lead: string
  readonly tone?: string
  readonly children: ReactNode
}) {
  return (
    <li className="border-rule border-b">
      <Link href={href} className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
        <b className={`font-head text-[19px] ${tone}`}>{lead}</b>
        <span>{children}</span>
      </Link>
    </li>
  )
}
