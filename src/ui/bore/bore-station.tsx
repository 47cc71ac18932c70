'use client'
import type { BoreView } from '@/stations/bore/contract'
import { formatLength, unitMark } from '@/core/units'
import { say } from '@/words/screens/bore'
import { nominal, small } from '@/words/size'
import { Cautions, Row, Sheet, Title } from '../common/sheet'
import { formatWhen } from '../format/due'
import { useUnit } from '../shell/shell-context'
import type { BoreActs } from './acts'
import { BoreNext } from './bore-next'

/** An adjustable head set by its dial and test cuts. */
export function BoreStation({ view, act }: { readonly view: BoreView; readonly act: BoreActs }) {
  const { t, serial, name, machine } = view
  return (
    <Sheet
      left={
        <>
          <Title lead={t === null ? serial : `T${t}`}>{say.headOn(name, machine)}</Title>
          <Head view={view} />
          <h2 className="mt-3 text-2xl font-bold">{say.settings}</h2>
          <Settings view={view} />
          <Cautions lines={say.cautions} />
        </>
      }
      right={<BoreNext key={view.version} view={view} act={act} />}
    />
  )
}

/** What is known of the head, and what it has taught. */
function Head({ view: { head, learned } }: { readonly view: BoreView }) {
  const unit = useUnit()
  if (!head) return null
  return (
    <div className="max-w-[560px]">
      <Row name={say.cutsAtZero}>{nominal(head.zeroMm, unit)}</Row>
      <Row name={say.range}>{say.fromTo(nominal(head.range.min, unit), nominal(head.range.max, unit))}</Row>
      <Row name={say.oneDivision}>{small(head.divisionMm, unit)}</Row>
      {head.backlashMm !== null && <Row name={say.play}>{small(head.backlashMm, unit)}</Row>}
      <Row name={say.really} symbol={learned.moves ? say.fromMoves(learned.moves) : undefined}>
        {learned.moves ? small(head.divisionMm * learned.share, unit) : say.asTheDialSays}
      </Row>
    </div>
  )
}

/** The settings of this series, the newest at the end. */
function Settings({ view: { lines } }: { readonly view: BoreView }) {
  const unit = useUnit()
  if (lines.length === 0) return <p className="text-soft">{say.noSettings}</p>
  const { columns } = say
  return (
    <table className="table max-w-[760px]">
      <thead>
        <tr>
          <th className="text-right">{columns.dial}</th>
          <th className="text-right">
            {columns.expected} <small>{unitMark(unit)}</small>
          </th>
          <th className="text-right">
            {columns.bore} <small>{unitMark(unit)}</small>
          </th>
          <th>{columns.when}</th>
          <th>{columns.who}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, i) => (
          <tr key={i}>
            <td className="figures text-right">{say.divisions(line.divisions)}</td>
            <td className="figures text-right">{formatLength(line.expectedMm, unit)}</td>
            <td className="figures text-right font-bold">
              {line.boreMm === null ? (
                <span className="text-soft font-normal">{say.notCutYet}</span>
              ) : (
                formatLength(line.boreMm, unit)
              )}
            </td>
            <td>{formatWhen(line.at)}</td>
            <td>{line.who}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
