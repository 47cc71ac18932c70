import Link from '@/ui/common/link'
import { notFound } from 'next/navigation'
import { readPick } from '@/stations/kit/pick'
import { FLOOR } from '@/stations/store/plan'
import { PrintButton } from '@/ui/common/print-button'
import { Sheet, Title } from '@/ui/common/sheet'
import { Plan } from '@/ui/store/plan'
import { signedIn } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.pickList }

/** The pick list to print: where to go, what to take, a box to tick. */
export default async function FetchPage({ params }: { readonly params: Promise<{ job: string }> }) {
  const { job: id } = await params
  const shop = await signedIn()
  const pick = readPick(shop.db, plainText(id), shop.now)
  if (!pick) notFound()
  const { list, names, holders } = pick
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <div className="flex flex-wrap items-start justify-between gap-3">
              <Title lead={say.pickListFor(plainText(id))}>{say.linesInWalkingOrder(list.lines.length)}</Title>
              <div className="flex gap-2.5 print:hidden">
                <Link className="row-link px-2 text-lg" href={`/kit/${encodeURIComponent(plainText(id))}`}>
                  {say.backToTheJob}
                </Link>
                <PrintButton />
              </div>
            </div>
            <div className="grid grid-cols-[1fr_420px] gap-6 max-[1100px]:grid-cols-1 print:grid-cols-1">
              <ul>
                {pick.complete.map(({ t, serial, place, stale }) => (
                  <li key={serial} className="border-rule flex min-h-11 break-inside-avoid items-center gap-4 border-b">
                    <span aria-hidden="true" className="border-ink size-6 shrink-0 border-[1.5px]" />
                    <b className="figures w-16 text-lg">{place}</b>
                    <span className="flex-1">{say.tCompleteOn(t, serial, stale ? say.measureAgainFirst : '')}</span>
                  </li>
                ))}
                {list.lines.map((l) => (
                  <li
                    key={`${l.component}-${l.place}`}
                    className="border-rule flex min-h-11 break-inside-avoid items-center gap-4 border-b"
                  >
                    <span aria-hidden="true" className="border-ink size-6 shrink-0 border-[1.5px]" />
                    <b className="figures w-16 text-lg">{l.place}</b>
                    <span className="min-w-0 flex-1 py-1 leading-tight">
                      {names[l.component] ?? l.component}
                      <small className="text-soft block">
                        {l.purposes.join(', ')}
                        {holders[l.component] ? say.anyOf(holders[l.component].join(', ')) : ` · ${l.component}`}
                      </small>
                    </span>
                    <b className="figures text-lg">{l.count}</b>
                  </li>
                ))}
                {list.short.map((s) => (
                  <li key={s.component} className="border-rule text-off flex min-h-11 items-center gap-4 border-b font-semibold">
                    {say.shortFor(s.count, names[s.component] ?? s.component, s.purposes.join(', '))}
                  </li>
                ))}
                {list.lines.length + list.short.length === 0 && <li className="text-lg">{say.nothingToPickSentence}</li>}
              </ul>
              <Plan
                units={pick.units}
                width={FLOOR.width}
                height={FLOOR.height}
                round={list.round}
                title={say.theWayThroughTheStore}
              />
            </div>
          </>
        }
      />
    </>
  )
}
