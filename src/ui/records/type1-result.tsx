'use client'
import { useCallback, useMemo } from 'react'
import { LEAST_CG, type Type1 } from '@/core/judge'
import { formatDeviation, formatLength, mmToUnit, unitMark } from '@/core/units'
import type { StudySheet } from '@/stations/study/contract'
import { say } from '@/words/screens/study'
import { small } from '@/words/size'
import { SmallActions } from '../common/actions'
import { Chart, type Inks } from '../common/chart'
import { CsvAction } from '../common/csv-action'
import { PrintButton } from '../common/print-button'
import { Row } from '../common/sheet'
import { useUnit } from '../shell/shell-context'

/** What one tool of known size, measured again and again, says of the bench. */
export function Type1Result({ sheet, found }: { readonly sheet: StudySheet; readonly found: Type1 }) {
  const unit = useUnit()
  const { Cg, Cgk, meanMm, sMm, biasMm } = found
  const good = Cg >= LEAST_CG && Cgk >= LEAST_CG
  const values = useMemo(() => sheet.table?.[0][0] ?? [], [sheet])
  const reference = sheet.referenceMm ?? 0
  const limit = (sheet.toleranceMm ?? 0) / 10
  const draw = useCallback(
    (inks: Inks) => ({
      grid: { left: 84, right: 16, top: 12, bottom: 30 },
      xAxis: { type: 'value' as const, min: 1, max: values.length, axisLabel: inks.font, splitLine: { show: false } },
      yAxis: {
        type: 'value' as const,
        scale: true,
        axisLabel: { ...inks.font, formatter: (value: number) => value.toFixed(unit === 'mm' ? 3 : 4) },
        splitLine: { lineStyle: { color: inks.rule } },
      },
      series: [
        {
          ...{ type: 'line' as const, symbol: 'circle', symbolSize: 8 },
          itemStyle: { color: inks.text },
          lineStyle: { width: 1, color: inks.soft },
          data: values.map((value, i) => [i + 1, mmToUnit(value, unit)]),
          markLine: {
            ...{ silent: true, symbol: 'none', label: { show: false } },
            lineStyle: { color: inks.off, type: 'dotted' as const, width: 2 },
            data: [reference - limit, reference, reference + limit].map((at) => ({ yAxis: mmToUnit(at, unit) })),
          },
        },
      ],
    }),
    [values, reference, limit, unit],
  )
  return (
    <section className="max-w-[820px]">
      <h2 className="mt-2 text-2xl font-bold">{say.known}</h2>
      <p className={`text-xl font-semibold ${good ? 'text-holds' : 'text-off'}`}>
        <span aria-hidden="true">{good ? '●' : '◆'}</span> {good ? say.enough(LEAST_CG) : say.notEnough(LEAST_CG)}
      </p>
      <div className="grid grid-cols-2 gap-x-8">
        <Row name={say.Cg}>{Cg.toFixed(2)}</Row>
        <Row name={say.mean}>
          {formatLength(meanMm, unit)} {unitMark(unit)}
        </Row>
        <Row name={say.Cgk}>{Cgk.toFixed(2)}</Row>
        <Row name={say.bias}>{formatDeviation(biasMm, unit)}</Row>
        <Row name={say.repeats}>
          {found.n} {say.timesUnit}
        </Row>
        <Row name={say.spread}>{small(sMm, unit)}</Row>
      </div>
      <Chart draw={draw} label={say.inOrder(sheet.name)} high={230} />
      <p className="text-soft">{say.usualForm}</p>
      <SmallActions>
        <CsvAction
          columns={say.csvColumns}
          rows={values.map((value, i) => [sheet.people[0].name, sheet.serials[0], i + 1, formatLength(value, unit)])}
        />
        <PrintButton />
      </SmallActions>
    </section>
  )
}
