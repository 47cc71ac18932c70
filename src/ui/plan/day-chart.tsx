'use client'
import type { CustomSeriesRenderItem, EChartsOption } from 'echarts'
import { format } from 'date-fns'
import { useCallback } from 'react'
import type { DayView, PlanView } from '@/stations/plan/contract'
import { say } from '@/words/screens/plan'
import { Chart, type Inks } from '../common/chart'
import { lanesOf, type Lane } from './lanes'

const ROW = 40
const MIN_MS = 60_000
/** At least so much of the day is shown, minutes. */
const LEAST_MIN = 120
/** A date so near behind another one of its machine is only drawn: a share of the day. */
const APART = 0.3
/** What is wider can be written on, px. */
const WRITTEN_PX = 30

export interface ChartProps {
  readonly view: DayView
  readonly plan: PlanView
  readonly machines: Readonly<Record<string, string>>
}

/** What a bar or a date is, on which row: as the chart's own library wants its data. */
interface Drawn {
  readonly value: readonly [fromMs: number, toMs: number, row: number]
  readonly name: string
  readonly ink: string
  /** Said of it where it is pointed at. */
  readonly about: string
  readonly open?: boolean
}

/** What is done where and when, with the dates of the machines below. */
export function DayChart({ view, plan, machines }: ChartProps) {
  const rows = lanesOf(plan.blocks).length + machinesOf(plan).length
  const draw = useCallback((inks: Inks) => optionOf({ view, plan, machines }, inks), [view, plan, machines])
  return <Chart draw={draw} label={say.chartLabel(view.tools)} high={rows * ROW + 58} />
}

const clock = (ms: number) => format(ms, 'HH:mm')
const machinesOf = (plan: PlanView) => [...new Set(plan.jobs.map(({ machine }) => machine))]
const isLate = ({ doneMin, dueMin }: PlanView['jobs'][number]) => doneMin !== null && doneMin > dueMin

function barsOf({ view, plan }: ChartProps, lanes: readonly Lane[], at: (min: number) => number, inks: Inks): Drawn[] {
  const late = new Set(plan.jobs.filter(isLate).map((j) => j.job))
  return lanes.flatMap(({ kind, blocks }, row) =>
    blocks.map((b): Drawn => ({
      value: [at(b.fromMin), at(b.toMin), row],
      name: `T${view.names[b.tool]?.t ?? ''}`,
      about: say.about(
        `T${view.names[b.tool]?.t ?? ''} ${view.names[b.tool]?.name ?? ''}`,
        say.kinds[kind],
        clock(at(b.fromMin)),
        clock(at(b.toMin)),
      ),
      ink: late.has(b.job) ? inks.off : inks.act,
      open: kind === 'cool',
    })),
  )
}

function datesOf({ plan }: ChartProps, firstRow: number, endMin: number, at: (min: number) => number, inks: Inks): Drawn[] {
  const keys = machinesOf(plan)
  const beyond = (j: PlanView['jobs'][number]) => j.dueMin > endMin
  return plan.jobs.map((j): Drawn => {
    // of several beyond the plan the first one is named, and how many there are
    const others = plan.jobs.filter((other) => other.machine === j.machine && beyond(other)).sort((a, b) => a.dueMin - b.dueMin)
    const near = plan.jobs.some(
      (other) =>
        other !== j &&
        other.machine === j.machine &&
        !beyond(other) &&
        other.dueMin < j.dueMin &&
        Math.min(j.dueMin, endMin) - other.dueMin < APART * endMin,
    )
    const named = !near && (!beyond(j) || others[0] === j)
    // a date beyond the plan stands at its end
    const shown = at(Math.min(Math.max(j.dueMin, 0), endMin))
    const far = j.dueMin > 12 * 60 || j.dueMin < 0
    return {
      value: [shown, shown, firstRow + keys.indexOf(j.machine)],
      name: named ? say.due(j.job, format(at(j.dueMin), far ? 'd MMM HH:mm' : 'HH:mm'), beyond(j) ? others.length - 1 : 0) : '',
      about: say.due(j.job, format(at(j.dueMin), 'd MMM HH:mm'), 0),
      ink: isLate(j) || j.dueMin < 0 ? inks.off : inks.holds,
    }
  })
}

const written = (text: string, x: number, y: number, align: 'left' | 'center' | 'right', fill: string, inks: Inks) => ({
  text,
  x,
  y,
  align,
  verticalAlign: 'middle' as const,
  fill,
  font: `600 15px ${inks.font.fontFamily}`,
})

const renderBars =
  (bars: readonly Drawn[], inks: Inks): CustomSeriesRenderItem =>
  (params, api) => {
    const [from, y] = api.coord([api.value(0), api.value(2)])
    const [to] = api.coord([api.value(1), api.value(2)])
    const { name, ink, open } = bars[params.dataIndex]
    const width = Math.max(3, to - from - 2)
    const style = open ? { fill: 'transparent', stroke: ink, lineDash: [4, 3], lineWidth: 1.5 } : { fill: ink }
    return {
      type: 'group',
      children: [
        { type: 'rect', shape: { x: from, y: y - 13, width, height: 26, r: 2 }, style },
        {
          type: 'text',
          style: written(width > WRITTEN_PX ? name : '', from + width / 2, y, 'center', open ? inks.text : inks.ground, inks),
        },
      ],
    }
  }

const renderDates =
  (dates: readonly Drawn[], middleMs: number, inks: Inks): CustomSeriesRenderItem =>
  (params, api) => {
    const [x, y] = api.coord([api.value(0), api.value(2)])
    const { name, ink, value } = dates[params.dataIndex]
    const right = value[0] > middleMs
    const points = [
      [x, y - 9],
      [x + 9, y],
      [x, y + 9],
      [x - 9, y],
    ]
    return {
      type: 'group',
      children: [
        { type: 'polygon', shape: { points }, style: { fill: ink } },
        { type: 'text', style: written(name, right ? x - 14 : x + 14, y, right ? 'right' : 'left', ink, inks) },
      ],
    }
  }

function optionOf(props: ChartProps, inks: Inks): EChartsOption {
  const { view, plan, machines } = props
  const from = Date.parse(view.now)
  const lanes = lanesOf(plan.blocks)
  const endMin = Math.max(LEAST_MIN, plan.endMin + 15)
  const at = (min: number) => from + min * MIN_MS
  const bars = barsOf(props, lanes, at, inks)
  const dates = datesOf(props, lanes.length, endMin, at, inks)
  const names = [
    ...lanes.map(({ kind, number }) => (number ? `${say.rows[kind]} ${number}` : say.rows[kind])),
    ...machinesOf(plan).map((key) => machines[key] ?? key),
  ]
  const line = { show: true, lineStyle: { color: inks.rule } }
  const dataOf = (drawn: readonly Drawn[]) => drawn.map(({ value }) => [...value])
  return {
    grid: { left: 108, right: 22, top: 28, bottom: 26 },
    tooltip: {
      formatter: (params) => {
        const { seriesIndex = 0, dataIndex } = Array.isArray(params) ? params[0] : params
        const one = (seriesIndex === 0 ? bars : dates)[dataIndex]
        return one ? one.about : ''
      },
    },
    xAxis: {
      ...{ type: 'time', min: from, max: at(endMin), position: 'top', splitLine: line, axisLine: { show: false } },
      axisLabel: { ...inks.font, formatter: (ms: number) => format(ms, 'HH:mm'), hideOverlap: true },
    },
    yAxis: {
      ...{ type: 'category', inverse: true, data: names, splitLine: line },
      ...{ axisTick: { show: false }, axisLine: { show: false } },
      axisLabel: { ...inks.font, color: inks.text, fontWeight: 600 },
    },
    series: [
      { type: 'custom', renderItem: renderBars(bars, inks), data: dataOf(bars), clip: true, encode: { x: [0, 1], y: 2 } },
      { type: 'custom', renderItem: renderDates(dates, at(endMin / 2), inks), data: dataOf(dates), encode: { x: 0, y: 2 } },
      {
        ...{ type: 'line', data: [] },
        markLine: {
          ...{ silent: true, symbol: 'none', data: [{ xAxis: from }] },
          lineStyle: { color: inks.text, type: 'solid', width: 2 },
          label: { formatter: say.now(format(from, 'HH:mm')), position: 'end', ...inks.font, color: inks.text },
        },
      },
    ],
  }
}
