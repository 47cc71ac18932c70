'use client'
import { useGo } from '../common/going'
import { EARLY_SHARE, type ReturnsOf } from '@/core/stats'
import type { ReturnsView } from '@/stations/records/contract'
import { say } from '@/words/screens/months'
import { small } from '@/words/size'
import { SmallActions } from '../common/actions'
import { CsvAction } from '../common/csv-action'
import { DaysSelect } from '../common/days-select'
import { PrintButton } from '../common/print-button'
import { Row, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { useUnit } from '../shell/shell-context'

/** What came back from the machines, the kinds with the most trouble first. */
export function ReturnsStation({ days, more, tools }: ReturnsView) {
  const router = useGo()
  const count = tools.reduce((sum, tool) => sum + tool.count, 0)
  const { columns } = say.returned
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.returns} />
          <div className="flex items-end justify-between gap-3">
            <Title lead={say.returns}>{say.returnsAbout(count)}</Title>
            <DaysSelect days={days} choose={(chosen) => router.push(`/records/returns?days=${chosen}`)} />
          </div>
          {tools.length === 0 ? <p className="text-lg">{say.returned.none}</p> : <ReturnsTable tools={tools} />}
        </>
      }
      right={
        tools.length > 0 && (
          <>
            <h2 className="text-2xl font-bold">{say.returned.inAll}</h2>
            <Row name={columns.count}>{count}</Row>
            <Row name={columns.broken}>{tools.reduce((sum, tool) => sum + tool.broken, 0)}</Row>
            <Row name={columns.longer}>{tools.reduce((sum, tool) => sum + tool.longer.count, 0)}</Row>
            <Row name={columns.early}>{tools.reduce((sum, tool) => sum + (tool.lives?.early ?? 0), 0)}</Row>
            {more && <p className="text-soft mt-2">{say.returned.newest(count)}</p>}
            <p className="text-soft mt-2">{say.returned.about(Math.round(100 * EARLY_SHARE))}</p>
            <div className="mt-auto pt-3">
              <SmallActions>
                <CsvAction
                  columns={['T', ...Object.values(columns)]}
                  rows={tools.map(({ t, name, count: n, broken, longer, lives }) => [
                    ...[t ?? '', name, n, broken, longer.count, longer.count > 0 ? longer.mostMm.toFixed(3) : ''],
                    ...(lives
                      ? [lives.count, lives.medianMin.toFixed(0), lives.allowedMin ?? '', lives.early]
                      : ['', '', '', '']),
                  ])}
                />
                <PrintButton />
              </SmallActions>
            </div>
          </>
        )
      }
    />
  )
}

const Trouble = ({ count }: { readonly count: number }) =>
  count === 0 ? <span className="text-soft">0</span> : <b className="text-off">◆ {count}</b>

function ReturnsTable({ tools }: { readonly tools: readonly ReturnsOf[] }) {
  const unit = useUnit()
  const { columns } = say.returned
  return (
    <table className="table text-lg">
      <thead>
        <tr>
          <th>{columns.tool}</th>
          <th className="text-right">{columns.count}</th>
          <th className="text-right">{columns.broken}</th>
          <th className="text-right">{columns.longer}</th>
          <th className="text-right">{columns.most}</th>
          <th className="text-right">{columns.ended}</th>
          <th className="text-right">{columns.reached}</th>
          <th className="text-right">{columns.early}</th>
        </tr>
      </thead>
      <tbody>
        {tools.map(({ key, t, name, count, broken, longer, lives }) => (
          <tr key={key}>
            <td className="max-w-[280px]">
              <b className="font-head text-xl">{say.tOf(t)}</b>
              <small className="text-soft block truncate text-base" title={name}>
                {name}
              </small>
            </td>
            <td className="figures text-right">{count}</td>
            <td className="figures text-right">
              <Trouble count={broken} />
            </td>
            <td className="figures text-right">
              <Trouble count={longer.count} />
            </td>
            <td className="figures text-right">{longer.count > 0 ? small(longer.mostMm, unit) : '–'}</td>
            <td className="figures text-right">{lives?.count ?? 0}</td>
            <td className="figures text-right whitespace-nowrap">
              {lives ? say.returned.reached(lives.medianMin, lives.allowedMin) : '–'}
            </td>
            <td className="figures text-right">
              <Trouble count={lives?.early ?? 0} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
