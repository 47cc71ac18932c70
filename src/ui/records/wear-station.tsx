'use client'
import { useCallback } from 'react'
import Link from '../common/link'
import type { Wear } from '@/core/judge'
import { formatDeviation, mmToUnit } from '@/core/units'
import type { WornTool } from '@/stations/records/contract'
import { FEATURE_NAMES } from '@/words/properties'
import { say } from '@/words/screens/wear'
import { nominal, small } from '@/words/size'
import { SmallAction, SmallActions } from '../common/actions'
import { Chart, type Inks } from '../common/chart'
import { CsvAction } from '../common/csv-action'
import { PrintButton } from '../common/print-button'
import { Row, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { VerdictMark } from '../common/verdict'
import { useUnit } from '../shell/shell-context'

const SAYS = { holds: say.within, unsure: say.borderline, off: say.beyond } as const
const nameOf = ({ t, serial }: Pick<WornTool, 't' | 'serial'>) => (t === null ? serial : `T${t}`)

/** Tools that were measured again while they cut, and how the one that is chosen changed. */
export function WearStation({ tools, chosen }: { readonly tools: readonly WornTool[]; readonly chosen: WornTool | null }) {
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.wear} />
          <Title lead={say.wear}>{say.about}</Title>
          {tools.length === 0 ? <p className="text-lg">{say.none}</p> : <WornTable tools={tools} chosen={chosen} />}
        </>
      }
      right={chosen && <Chosen tool={chosen} />}
    />
  )
}

function WornTable({ tools, chosen }: { readonly tools: readonly WornTool[]; readonly chosen: WornTool | null }) {
  const unit = useUnit()
  return (
    <table className="table text-lg">
      <thead>
        <tr>
          <th>{say.tool}</th>
          <th>{say.feature}</th>
          <th className="text-right">{say.change}</th>
          <th className="text-right">{say.allowed}</th>
          <th className="text-right">{say.cut}</th>
          <th className="text-right">{say.left}</th>
        </tr>
      </thead>
      <tbody>
        {tools.map((tool) => {
          const [wear] = tool.wears
          return (
            <tr key={tool.serial} className={tool.serial === chosen?.serial ? 'bg-base-200' : ''}>
              <td>
                <Link
                  href={`/records/wear?tool=${encodeURIComponent(tool.serial)}`}
                  className="flex min-h-11 flex-col justify-center"
                >
                  <b className="font-head text-xl">{say.where(nameOf(tool), tool.machine)}</b>
                  <small className="text-soft text-base">{tool.name}</small>
                </Link>
              </td>
              <td>{FEATURE_NAMES[wear.key]}</td>
              <td className="figures text-right whitespace-nowrap">
                <VerdictMark verdict={wear.verdict} /> {formatDeviation(wear.changeMm, unit)}
              </td>
              <td className="figures text-right">{nominal(tool.allowedMm, unit)}</td>
              <td className="figures text-right">{say.minutes(tool.cutMin)}</td>
              <td className="figures text-right">{wear.leftMin ? say.minutes(wear.leftMin.value) : say.noTrend}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Chosen({ tool }: { readonly tool: WornTool }) {
  const unit = useUnit()
  const [wear] = tool.wears
  const { wears, allowedMm } = tool
  const draw = useCallback(
    (inks: Inks) => {
      const shown = (mm: number) => mmToUnit(mm, unit)
      const series = wears.map(({ key, points }: Wear, i) => ({
        ...{ name: FEATURE_NAMES[key], type: 'line' as const, symbol: ['circle', 'rect', 'triangle'][i], symbolSize: 8 },
        lineStyle: { width: 2, type: (['solid', 'dashed', 'dotted'] as const)[i], color: [inks.text, inks.act, inks.soft][i] },
        itemStyle: { color: [inks.text, inks.act, inks.soft][i] },
        data: points.map((p) => [p.cutMin, shown(p.changeMm)]),
        ...(i === 0 && {
          markLine: {
            ...{ silent: true, symbol: 'none', label: { show: false } },
            lineStyle: { color: inks.off, type: 'dotted' as const, width: 2 },
            data: [{ yAxis: shown(allowedMm) }, { yAxis: -shown(allowedMm) }],
          },
        }),
      }))
      const most = 1.2 * Math.max(shown(allowedMm), ...wears.flatMap((w) => w.points.map((p) => Math.abs(shown(p.changeMm)))))
      const decimals = unit === 'mm' ? 3 : 4
      return {
        legend: { top: 0, textStyle: inks.font },
        grid: { left: 62, right: 12, top: 34, bottom: 46 },
        xAxis: {
          type: 'value' as const,
          name: say.cutMinutes,
          nameLocation: 'middle' as const,
          nameGap: 28,
          axisLabel: inks.font,
          splitLine: { show: false },
        },
        yAxis: {
          ...{ type: 'value' as const, min: -most, max: most },
          axisLabel: { ...inks.font, formatter: (v: number) => v.toFixed(decimals), showMinLabel: false, showMaxLabel: false },
          splitLine: { lineStyle: { color: inks.rule } },
        },
        series,
      }
    },
    [wears, allowedMm, unit],
  )
  return (
    <>
      <h2 className="text-2xl font-bold">{say.where(nameOf(tool), tool.machine)}</h2>
      <p className="text-lg">
        <VerdictMark verdict={wear.verdict} /> {SAYS[wear.verdict]}
      </p>
      <Chart draw={draw} label={say.overMinutes(nameOf(tool))} />
      {wears.map(({ key, perHourMm, leftMin, changeMm }) => (
        <Row
          key={key}
          name={FEATURE_NAMES[key]}
          symbol={perHourMm && leftMin ? say.perHour(small(perHourMm.value, unit)) : undefined}
        >
          {formatDeviation(changeMm, unit)}
        </Row>
      ))}
      {wear.leftMin && <Row name={say.left}>{say.leftFromTo(wear.leftMin.value, wear.leftMin.least, wear.leftMin.most)}</Row>}
      <p className="text-soft mt-2">{say.trendNote}</p>
      <div className="mt-auto pt-3">
        <SmallActions>
          <SmallAction href={`/tools/${tool.serial}`}>{say.toolPage}</SmallAction>
          <CsvAction
            columns={[say.feature, say.cutMinutes, say.change]}
            rows={wears.flatMap(({ key, points }) => points.map((p) => [FEATURE_NAMES[key], p.cutMin, p.changeMm]))}
          />
          <PrintButton />
        </SmallActions>
      </div>
    </>
  )
}
