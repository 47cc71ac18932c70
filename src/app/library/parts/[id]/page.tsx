import { choiceText, KIND_LABELS, PROPERTY_NAMES } from '@/words/properties'
import Link from '@/ui/common/link'
import type { ReactNode } from 'react'
import { missing, onHand, type Lying, type Balance } from '@/core/plan'
import { KINDS, propertiesOf, specOf, UNIT_OF, valueOf, type Component, type Definition, type PropertyKey } from '@/core/tool'
import { formatLength, unitMark, type Units, formatQuantity, isQuantity } from '@/core/units'
import { readPartPage } from '@/stations/library/pages'
import { Row, Sheet, Title } from '@/ui/common/sheet'
import { PartDrawing } from '@/ui/library/drawing'
import { PartForm } from '@/ui/library/part-form'
import { RegrindForm, StockForm } from '@/ui/library/stock-forms'
import { MovesTable } from '../../../_parts/moves-table'
import { signedIn } from '../../../_server/context'
import { plainText } from '../../../_server/params'
import { bookAction, countStockAction, putPartAction, regrindAction } from '../../actions'
import { say } from '@/words/screens/library'
import type { HolderLine } from '@/stations/library/pages'

export const metadata = { title: say.part }

function valueText(part: Component, key: PropertyKey, units: Units): string {
  const unit = units.length
  const value = valueOf(part, key)
  if (value === undefined) return '–'
  const { quantity } = specOf(key)
  if (quantity === 'length' && typeof value === 'number')
    return `${formatLength(value, unit, unit === 'mm' ? 3 : 4).replace(/\.?0+$/, '')} ${unitMark(unit)}`
  if (isQuantity(quantity) && typeof value === 'number') return formatQuantity(value, quantity, units, 3)
  return `${typeof value === 'number' ? value.toLocaleString('en', { maximumFractionDigits: 4 }) : choiceText(String(value))} ${UNIT_OF[quantity]}`.trim()
}

export default async function PartPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const id = plainText((await params).id)
  const shop = await signedIn()
  const sheet = readPartPage(shop.db, id)
  if (!sheet)
    return (
      <>
        <div />
        <Sheet left={<Title lead={id}>{say.thereIsNoSuchPart}</Title>} />
      </>
    )
  const { part, balance, lying, moves, definitions, tools, pieces, version, drawers } = sheet
  const withSerial = KINDS[part.kind].role === 'holder' || KINDS[part.kind].role === 'extension'
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead={part.name}>
              {KIND_LABELS[part.kind]} · {part.id}
            </Title>
            <div className="grid grid-cols-2 gap-x-8 max-[760px]:grid-cols-1">
              {propertiesOf(part.kind)
                .filter((key) => valueOf(part, key) !== undefined)
                .map((key) => (
                  <Row key={key} name={PROPERTY_NAMES[key]} symbol={specOf(key).symbol}>
                    {valueText(part, key, shop.units)}
                  </Row>
                ))}
              {part.makerNumber && <Row name={say.makersNumberTitle}>{part.makerNumber}</Row>}
              {part.price !== undefined && <Row name={say.price}>{part.price}</Row>}
              {part.reground && <Row name={say.reground}>{say.wasCountFrom(part.reground.count, part.reground.from)}</Row>}
            </div>
            <details>
              <summary className="fold">{say.changeIt}</summary>
              <PartForm kind={part.kind} part={{ ...part }} version={version} save={putPartAction} />
            </details>
            <h2 className="mt-1 text-2xl font-bold">{say.whereItIsUsed}</h2>
            <UsedIn definitions={definitions} part={part} />
            {tools.length > 0 && (
              <List none="">
                {tools.slice(0, 12).map((a) => (
                  <Link key={a.id} href={`/tools/${a.serial}`} className="border-rule flex min-h-11 items-center gap-3 border-b">
                    <b className="figures w-14 text-lg">T{a.t ?? '?'}</b> {say.onSerial(a.serial)}
                    <span className="text-soft ml-auto">{a.state === 'apart' ? say.wasInItTakenApart : say.isInIt(a.state)}</span>
                  </Link>
                ))}
              </List>
            )}
            {!withSerial && (
              <>
                <h2 className="mt-1 text-2xl font-bold">{say.stockEntries}</h2>
                <MovesTable moves={moves} />
              </>
            )}
          </>
        }
        right={
          withSerial ? (
            <>
              <h2 className="text-2xl font-bold">{say.pieces}</h2>
              <Pieces pieces={pieces} />
            </>
          ) : (
            <Stock balance={balance} lying={lying} part={part} drawers={drawers} />
          )
        }
      />
    </>
  )
}

/** How many there are, where they lie, and what may be booked. */
function Stock({
  balance,
  lying,
  part,
  drawers,
}: {
  readonly balance: Balance
  readonly lying: readonly (Omit<Lying, 'place'> & { readonly place: string | null })[]
  readonly part: Component
  readonly drawers: readonly string[]
}) {
  return (
    <>
      <h2 className="text-2xl font-bold">{say.stock}</h2>
      <Row name={say.onHandTitle}>{onHand(balance)}</Row>
      <Row name={say.pickedForJobs}>{balance.taken}</Row>
      <Row name={say.builtIn}>{balance.built}</Row>
      <Row name={say.scrapped}>{balance.scrapped}</Row>
      <Row name={say.received}>{balance.received}</Row>
      {missing(balance) !== 0 && <p className="text-off font-semibold">{say.piecesAreMissingInThe(missing(balance))}</p>}
      <ul className="mb-2">
        {lying.map(({ place, count }) => (
          <li key={place ?? ''} className="border-rule flex min-h-11 items-center justify-between border-b">
            {place ? (
              <Link className="text-act font-semibold" href={`/library/store?place=${place}`}>
                {place}
              </Link>
            ) : (
              say.noPlace
            )}
            <span className="figures text-lg font-semibold">{count}</span>
          </li>
        ))}
      </ul>
      <StockForm component={part.id} lying={lying} places={drawers} book={bookAction} count={countStockAction} />
      {part.kind === 'solid-cutter' && (
        <>
          <h2 className="mt-3 text-2xl font-bold">{say.regrind}</h2>
          <RegrindForm id={part.id} DC={part.DC} OAL={part.OAL} regrind={regrindAction} />
        </>
      )}
      <PartDrawing id={part.id} drawing={part.drawing ?? null} />
    </>
  )
}

/** Tools of the library that have it. */
function UsedIn({ definitions, part }: { readonly definitions: readonly Definition[]; readonly part: Component }) {
  return (
    <List none={say.noToolUsesIt}>
      {definitions.map((d) => (
        <Link
          key={d.id}
          href={`/library/tools/${encodeURIComponent(d.id)}`}
          className="border-rule flex min-h-11 items-center gap-3 border-b"
        >
          <b className="figures w-14 text-lg">T{d.t}</b> {d.name}
          <span className="text-soft ml-auto">
            {d.parts.some((l) => l.component === part.id) ? say.firstChoice : say.substitute}
          </span>
        </Link>
      ))}
    </List>
  )
}

/** Those with a serial. */
function Pieces({ pieces }: { readonly pieces: readonly HolderLine['holder'][] }) {
  return (
    <List none={say.noneYetAddOneOn}>
      {pieces.map((h) => (
        <Link
          key={h.serial}
          href={`/tools/${h.serial}`}
          className="border-rule flex min-h-11 items-center justify-between border-b"
        >
          <b className="text-act text-[19px]">{h.serial}</b>
          <span>
            {h.retired
              ? say.retiredLower
              : h.carries
                ? say.carries(h.carriesT === null ? say.aTool : `T${h.carriesT}`)
                : say.freePlace(h.place ?? say.noPlace)}
          </span>
        </Link>
      ))}
    </List>
  )
}

const List = ({ none, children }: { readonly none: string; readonly children: readonly ReactNode[] }) =>
  children.length ? <div>{children}</div> : <p className="text-soft py-1">{none}</p>
