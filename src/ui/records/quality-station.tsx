'use client'
import Link from '../common/link'
import { useGo } from '../common/going'
import { useCallback } from 'react'
import { FEATURE_KEYS, isAngle, type FeatureKey } from '@/core/judge'
import { formatLength, mmToUnit, unitMark, type LengthUnit } from '@/core/units'
import { QUALITY_BY, type QualityAsked, type QualityGroup, type QualityView } from '@/stations/records/contract'
import { featureWord } from '@/words/properties'
import { say } from '@/words/screens/quality'
import { small } from '@/words/size'
import { SmallActions } from '../common/actions'
import { CsvAction } from '../common/csv-action'
import { Chart, type Inks } from '../common/chart'
import { DaysSelect } from '../common/days-select'
import { SelectField } from '../common/form'
import { PrintButton } from '../common/print-button'
import { Row, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { useUnit } from '../shell/shell-context'

const TONE = { 'never needed': 'text-act', 'not kept': 'text-off', fits: 'text-holds', 'too few': 'text-soft' } as const
const MARK = { 'never needed': '▲', 'not kept': '◆', fits: '●', 'too few': '◌' } as const

/** A value of a group as people read it. */
function written(group: QualityGroup, feature: FeatureKey, unit: LengthUnit) {
  return (value: number): string =>
    group.in === 'share'
      ? say.percent(value)
      : isAngle(feature)
        ? `${value.toFixed(2)}°`
        : `${formatLength(value, unit)} ${unitMark(unit)}`
}
/** A spread: small beside the value. */
function spreadOf(group: QualityGroup, feature: FeatureKey, unit: LengthUnit, sd: number): string {
  return group.in === 'share' || isAngle(feature) ? written(group, feature, unit)(sd) : small(sd, unit)
}

const path = (asked: QualityAsked, group?: string) =>
  `/records/quality?${new URLSearchParams({ ...asked, days: String(asked.days), ...(group ? { group } : {}) }).toString()}`

/** How set values scatter against what was wanted. */
export function QualityStation({ view, chosen }: { readonly view: QualityView; readonly chosen: QualityGroup | null }) {
  const { asked, groups } = view
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.quality} />
          <Title lead={say.quality}>{say.about(view.tools)}</Title>
          <Asked view={view} />
          {groups.length === 0 ? <p className="text-lg">{say.none}</p> : <Groups asked={asked} groups={groups} chosen={chosen} />}
        </>
      }
      right={chosen && <Chosen group={chosen} view={view} />}
    />
  )
}

function Asked({ view: { asked, features } }: { readonly view: QualityView }) {
  const router = useGo()
  const go = (change: Partial<QualityAsked>) => router.push(path({ ...asked, ...change }))
  return (
    <div className="grid max-w-[680px] grid-cols-3 gap-3">
      <SelectField label={say.by} value={asked.by} onChange={(e) => go({ by: e.target.value as QualityAsked['by'] })}>
        {QUALITY_BY.map((by) => (
          <option key={by} value={by}>
            {say.bys[by]}
          </option>
        ))}
      </SelectField>
      <SelectField label={say.feature} value={asked.feature} onChange={(e) => go({ feature: e.target.value as FeatureKey })}>
        {FEATURE_KEYS.filter((key) => features.includes(key) || key === asked.feature).map((key) => (
          <option key={key} value={key}>
            {featureWord(key)}
          </option>
        ))}
      </SelectField>
      <DaysSelect days={asked.days} choose={(days) => go({ days })} />
    </div>
  )
}

function Groups({
  asked,
  groups,
  chosen,
}: {
  readonly asked: QualityAsked
  readonly groups: readonly QualityGroup[]
  readonly chosen: QualityGroup | null
}) {
  const unit = useUnit()
  return (
    <table className="table text-lg">
      <thead>
        <tr>
          <th>{say.bys[asked.by]}</th>
          <th className="text-right">{say.count}</th>
          <th className="text-right">{say.mean}</th>
          <th className="text-right">{say.spread}</th>
          <th className="text-right">{say.ppk}</th>
          <th>{say.limit}</th>
        </tr>
      </thead>
      <tbody>
        {groups.map((group) => {
          const { found, verdict } = group
          return (
            <tr key={group.key} className={group.key === chosen?.key ? 'bg-base-200' : ''}>
              <td>
                <Link href={path(asked, group.key)} className="flex min-h-11 items-center font-semibold">
                  {group.name}
                </Link>
              </td>
              <td className="figures text-right">{group.count}</td>
              <td className="figures text-right">{found ? written(group, asked.feature, unit)(found.mean) : '–'}</td>
              <td className="figures text-right">{found ? spreadOf(group, asked.feature, unit, found.sd) : '–'}</td>
              <td className="figures text-right">{found && verdict.type !== 'too few' ? found.ppk.value.toFixed(2) : '–'}</td>
              <td className={`font-semibold ${TONE[verdict.type]}`}>
                <span aria-hidden="true">{MARK[verdict.type]}</span> {say.verdicts[verdict.type]}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Chosen({ group, view: { asked, groups } }: { readonly group: QualityGroup; readonly view: QualityView }) {
  const unit = useUnit()
  const { found, verdict, limits } = group
  const text = written(group, asked.feature, unit)
  const draw = useHistogram(group, asked.feature, unit)
  const rows = groups.map((g) => [
    ...[g.name, g.count, g.found?.mean ?? '', g.found?.sd ?? '', g.found?.ppk.value ?? '', g.found?.outside ?? ''],
    say.verdicts[g.verdict.type],
  ])
  return (
    <>
      <h2 className="text-2xl font-bold">{group.name}</h2>
      <Chart draw={draw} label={say.histogram(group.name)} high={230} />
      {found && (
        <>
          <Row name={say.mean}>{text(found.mean)}</Row>
          <Row name={say.spread}>{spreadOf(group, asked.feature, unit, found.sd)}</Row>
          {verdict.type !== 'too few' && (
            <Row name={say.ppk} symbol={say.interval(found.ppk.low.toFixed(2), found.ppk.high.toFixed(2))}>
              {found.ppk.value.toFixed(2)}
            </Row>
          )}
          <Row name={say.outside}>{say.percent(found.outside)}</Row>
        </>
      )}
      <p className={`mt-2 text-lg font-semibold ${TONE[verdict.type]}`}>
        <span aria-hidden="true">{MARK[verdict.type]}</span> {say.says[verdict.type]}
      </p>
      {'fits' in verdict && (
        <p className="text-lg">
          {verdict.fits.min === null
            ? say.wouldFitBelow(text(verdict.fits.max))
            : say.wouldFit(text(verdict.fits.min), text(verdict.fits.max))}
        </p>
      )}
      {group.in === 'share' && limits.max === 1 && <p className="text-soft mt-1">{say.asShare}</p>}
      <p className="text-soft mt-1">{say.intervalNote}</p>
      <div className="mt-auto pt-3">
        <SmallActions>
          <CsvAction
            columns={[say.bys[asked.by], say.count, say.mean, say.spread, say.ppk, say.outside, say.limit]}
            rows={rows}
          />
          <PrintButton />
        </SmallActions>
      </div>
    </>
  )
}

/** Bars with the limits as lines. */
function useHistogram(group: QualityGroup, feature: FeatureKey, unit: LengthUnit) {
  return useCallback(
    (inks: Inks) => {
      const { bins, limits } = group
      const inUnit = (value: number) => (group.in === 'share' ? 100 * value : isAngle(feature) ? value : mmToUnit(value, unit))
      const edges = [limits.min, limits.max].flatMap((edge) => (edge === null ? [] : [inUnit(edge)]))
      const shown = [...bins.flatMap((b) => [inUnit(b.from), inUnit(b.to)]), ...edges]
      const [least, most] = [Math.min(...shown), Math.max(...shown)]
      const room = 0.06 * (most - least || 1)
      const decimals = group.in === 'share' ? 0 : unit === 'mm' ? 3 : 4
      const data = bins.flatMap((b) => [
        [inUnit(b.from), b.count],
        [inUnit(b.to), b.count],
      ])
      return {
        grid: { left: 44, right: 14, top: 14, bottom: 30 },
        xAxis: {
          ...{ type: 'value' as const, min: least - room, max: most + room, splitLine: { show: false }, splitNumber: 4 },
          axisLabel: {
            ...{ ...inks.font, showMinLabel: false, showMaxLabel: false },
            formatter: (v: number) => `${v.toFixed(decimals)}${group.in === 'share' ? ' %' : ''}`,
          },
        },
        yAxis: {
          ...{ type: 'value' as const, minInterval: 1, axisLabel: inks.font },
          splitLine: { lineStyle: { color: inks.rule } },
        },
        series: [
          {
            ...{ type: 'line' as const, step: 'end' as const, symbol: 'none', data },
            lineStyle: { color: inks.act, width: 2 },
            areaStyle: { color: inks.act, opacity: 0.25 },
            markLine: {
              ...{ silent: true, symbol: 'none', label: { show: false }, data: edges.map((xAxis) => ({ xAxis })) },
              lineStyle: { color: inks.off, type: 'dotted' as const, width: 2 },
            },
          },
        ],
      }
    },
    [group, feature, unit],
  )
}
