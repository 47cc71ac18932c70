import Link from '@/ui/common/link'
import type { ReactNode } from 'react'
import { readShift } from '@/stations/kit/shift'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatTime, formatWhen } from '@/ui/format/due'
import { ShiftNotes } from '@/ui/kit/shift-notes'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { tickOffAction, writeNoteAction } from '../actions'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.nextShift }

const WAITS = { built: say.toMeasure, measured: say.toHandOver, released: say.toLoad, loaded: '', apart: '' } as const

export default async function ShiftPage() {
  const shop = await signedIn()
  const { builds, hot, waiting, fetched, notes, heads } = readShift(shop.db, shop.now)
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} heading />
            <Group title={say.halfBuilt} none={say.noToolIsHalfBuilt}>
              {builds.map((b) => (
                <Line
                  key={b.id}
                  href={`/build?job=${encodeURIComponent(b.job)}&t=${b.t}&serial=${b.serial}`}
                  lead={say.tOnSerial(b.t, b.serial)}
                >
                  {say.beganItForStepsDone(b.who, formatWhen(b.startedAt), b.job, b.done.length)}
                </Line>
              ))}
            </Group>
            <Group title={say.hotTitle} none={say.nothingIsHotByThe}>
              {hot.map((a) => (
                <Line key={a.serial} href={`/tools/${a.serial}`} lead={say.tOnSerialPlain(a.t ?? '?', a.serial)} tone="text-off">
                  {say.earliestTimeToTouchFollow(formatTime(a.touchAt))}
                </Line>
              ))}
            </Group>
            <Group title={say.waiting} none={say.noToolIsWaiting}>
              {waiting.map((a) => (
                <Line key={a.id} href={`/tools/${a.serial}`} lead={say.tOnSerialPlain(a.t ?? '?', a.serial)}>
                  {a.name}, {WAITS[a.state]}
                  {a.place ? `, ${a.place}` : say.onTheBench}
                  {a.lastHand ? say.lastUsedBy(a.lastHand) : ''}
                  {a.condition !== 'fit' ? `, ${a.condition}` : ''}
                </Line>
              ))}
            </Group>
            <Group title={say.pickedAndNotBuiltIn} none={say.everyPartIsInIts}>
              {fetched.map(({ job, component, name, count }) => (
                <Line key={`${job}-${component}`} href={`/kit/${encodeURIComponent(job)}`} lead={job}>
                  {count} × {name}
                </Line>
              ))}
            </Group>
            <p className="figures text-soft mt-4 text-sm">
              {say.recordEndsAt(heads.record.seq, heads.record.hash.slice(0, 16), heads.seals.seq, heads.seals.hash.slice(0, 16))}
            </p>
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
