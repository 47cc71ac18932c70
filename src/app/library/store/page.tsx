import Link from '@/ui/common/link'
import { codeSvg } from '@/codecs/label-picture'
import { encodePlace } from '@/codecs/label-text'
import { FLOOR, readStore, type PlaceContent } from '@/stations/store/plan'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Say, Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { AddUnit, FindPart, StorePlan } from '@/ui/store/store-plan'
import { signedIn } from '../../_server/context'
import { placeUnitAction } from '../actions'
import { say } from '@/words/screens/library'

export const metadata = { title: say.store }

export default async function StorePage({ searchParams }: { readonly searchParams: Promise<{ place?: string; part?: string }> }) {
  const { place, part } = await searchParams
  const shop = await signedIn()
  const { units, drawers, unit, chosen, places: shown } = readStore(shop.db, place ?? null)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            {units.length === 0 && <p className="text-lg">{say.thePlanIsEmptyAdd}</p>}
            <StorePlan units={units} floor={FLOOR} drawers={drawers} lit={unit?.id ?? null} placeUnit={placeUnitAction} />
            <p className="text-soft">{say.dragACabinetByIts}</p>
          </>
        }
        right={
          <>
            <FindPart />
            {place && !unit && (
              <Say tone="off" lead={say.placeUnknown(place)}>
                {say.itIsNotOnThe}
              </Say>
            )}
            {unit && (
              <h2 className="mt-3 text-2xl font-bold">
                {unit.name} {chosen && <span className="text-soft font-medium">{chosen.name}</span>}
              </h2>
            )}
            <ul className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label={say.whatIsInIt}>
              {shown.map((content) => (
                <Content key={content.place.id} content={content} part={part ?? null} alone={chosen !== null} />
              ))}
              {unit && shown.length === 0 && <li className="text-soft py-2">{say.itHasNoDrawersOr}</li>}
            </ul>
            <AddUnit units={units} floor={FLOOR} placeUnit={placeUnitAction} />
          </>
        }
      />
    </>
  )
}

function Content({
  content,
  part,
  alone,
}: {
  readonly content: PlaceContent
  readonly part: string | null
  readonly alone: boolean
}) {
  const { place, parts, standing } = content
  return (
    <li className="border-rule border-b py-1.5">
      <Link href={`/library/store?place=${place.id}`} className="flex min-h-11 items-center gap-3">
        <b className="figures text-lg">{place.id}</b>
        <span className="text-soft">
          {place.name}
          {place.taper ? ` · ${place.taper}` : ''}
          {parts.length + standing.length === 0 ? say.empty : ''}
        </span>
      </Link>
      {parts.map((p) => (
        <Link
          key={p.component}
          href={`/library/parts/${encodeURIComponent(p.component)}`}
          className={`flex min-h-9 items-center justify-between gap-3 pl-3 ${p.component === part ? 'bg-act text-act-ink' : ''}`}
        >
          {p.name} <span className="figures text-lg">{p.count}</span>
        </Link>
      ))}
      {standing.map((s) => (
        <Link key={s.serial} href={`/tools/${s.serial}`} className="flex min-h-9 items-center justify-between gap-3 pl-3">
          {s.text} <span className="figures">{s.serial}</span>
        </Link>
      ))}
      {alone && (
        <span
          className="mt-2 block size-24 bg-white p-2"
          dangerouslySetInnerHTML={{ __html: codeSvg('datamatrix', encodePlace(place.id)) }}
          role="img"
          aria-label={say.codeOf(place.id)}
        />
      )}
    </li>
  )
}
