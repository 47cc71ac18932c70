'use client'
import { useCallback } from 'react'
import { isAngle } from '@/core/judge'
import type { GaugeStudy } from '@/core/stats'
import { formatLength, mmToUnit } from '@/core/units'
import type { StudySheet } from '@/stations/study/contract'
import { say } from '@/words/screens/study'
import { small } from '@/words/size'
import { SmallActions } from '../common/actions'
import { CsvAction } from '../common/csv-action'
import { Chart, type Inks } from '../common/chart'
import { PrintButton } from '../common/print-button'
import { Row } from '../common/sheet'
import { useUnit } from '../shell/shell-context'

/** Good below, poor above, % (AIAG MSA, from memory; common practice). */
const [GOOD, POOR] = [10, 30]

/** What a study came to: shares, sources, and every reading by tool and person. */
export function StudyResult({ sheet, result }: { readonly sheet: StudySheet; readonly result: GaugeStudy }) {
  const unit = useUnit()
  const { feature, table, people, serials } = sheet
  const share = result.percentOfTolerance ?? result.percentOfTotal
  const says =
    share < GOOD
      ? ([say.good, 'text-holds', '●'] as const)
      : share <= POOR
        ? ([say.fair, 'text-unsure', '◐'] as const)
        : ([say.poor, 'text-off', '◆'] as const)
  const sd = (value: number) => (isAngle(feature) ? `${value.toFixed(3)}°` : small(value, unit))
  const draw = useReadings(sheet)
  const rows = (table ?? []).flatMap((tools, i) =>
    tools.flatMap((values, j) => values.map((value, k) => [people[i].name, serials[j], k + 1, formatLength(value, unit)])),
  )
  return (
    <section className="max-w-[820px]">
      <h2 className="mt-2 text-2xl font-bold">{say.result}</h2>
      <p className={`text-xl font-semibold ${says[1]}`}>
        <span aria-hidden="true">{says[2]}</span> {says[0]}
      </p>
      <div className="grid grid-cols-2 gap-x-8">
        <Row name={say.percentOfTotal}>{say.percent(result.percentOfTotal)}</Row>
        <Row name={say.equipment}>{sd(result.ev)}</Row>
        {result.percentOfTolerance !== null && <Row name={say.percentOfTolerance}>{say.percent(result.percentOfTolerance)}</Row>}
        <Row name={say.persons}>{sd(result.av)}</Row>
        <Row name={say.ndc}>{result.ndc}</Row>
        <Row name={say.parts}>{sd(result.pv)}</Row>
      </div>
      <p className="text-soft">{result.pooled ? say.pooled : say.notPooled}</p>
      <Chart draw={draw} label={say.chart(sheet.name)} high={230} />
      <p className="text-soft">{say.source}</p>
      <SmallActions>
        <CsvAction columns={say.csvColumns} rows={rows} />
        <PrintButton />
      </SmallActions>
    </section>
  )
}

/** Every reading over its tool, one mark a person. */
function useReadings({ table, people, serials, feature }: StudySheet) {
  const unit = useUnit()
  return useCallback(
    (inks: Inks) => {
      const shown = (value: number) => (isAngle(feature) ? value : mmToUnit(value, unit))
      const looks = [
        ['circle', inks.text],
        ['rect', inks.act],
        ['triangle', inks.soft],
        ['diamond', inks.unsure],
      ] as const
      const decimals = unit === 'mm' ? 3 : 4
      return {
        legend: { top: 0, textStyle: inks.font },
        grid: { left: 70, right: 14, top: 32, bottom: 28 },
        xAxis: { type: 'category' as const, data: [...serials], axisLabel: inks.font },
        yAxis: {
          ...{ type: 'value' as const, scale: true, splitLine: { lineStyle: { color: inks.rule } } },
          axisLabel: { ...inks.font, formatter: (v: number) => v.toFixed(decimals) },
        },
        series: (table ?? []).map((tools, i) => ({
          ...{ name: people[i].name, type: 'scatter' as const, symbol: looks[i % looks.length][0], symbolSize: 10 },
          itemStyle: { color: looks[i % looks.length][1] },
          data: tools.flatMap((values, j) => values.map((value) => [serials[j], shown(value)])),
        })),
      }
    },
    [table, people, serials, feature, unit],
  )
}
