'use client'
import { LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, MarkLineComponent } from 'echarts/components'
import { init, use as withParts, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { STILL_MM, type ZeroCheck } from '@/core/judge'
import { say } from '@/words/screens/measure'

withParts([LineChart, GridComponent, LegendComponent, MarkLineComponent, SVGRenderer])

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** What each check found, length and radius, over time; the band within which nothing but heat is at work. */
export function DriftChart({ checks }: { readonly checks: readonly ZeroCheck[] }) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!place.current) return
    const chart: EChartsType = init(place.current, undefined, { renderer: 'svg' })
    const text = { color: colour('--soft'), fontFamily: 'Sofia Sans Condensed Variable', fontSize: 15 }
    const line = (name: string, key: 'x' | 'z', ink: string, dashed: boolean, symbol: string) => ({
      name,
      type: 'line' as const,
      symbol,
      symbolSize: 7,
      itemStyle: { color: ink },
      lineStyle: { width: 2, color: ink, type: dashed ? ('dashed' as const) : ('solid' as const) },
      data: checks.map((c) => [Date.parse(c.at), Math.round(1e4 * c.drift[key]) / 10]),
    })
    const worst = Math.max(...checks.map((c) => 1000 * Math.max(Math.abs(c.drift.x), Math.abs(c.drift.z))))
    const most = 2 * Math.max(2, Math.ceil(worst / 2))
    chart.setOption({
      animation: false,
      textStyle: text,
      legend: { top: 0, right: 8, textStyle: text, itemWidth: 34 },
      grid: { left: 52, right: 16, top: 34, bottom: 30 },
      xAxis: { type: 'time', axisLabel: { ...text, hideOverlap: true }, splitLine: { show: false } },
      yAxis: {
        type: 'value',
        min: -most,
        max: most,
        interval: most / 2,
        axisLabel: { ...text, formatter: '{value} µm' },
        splitLine: { lineStyle: { color: colour('--color-base-300') } },
      },
      series: [
        {
          ...line('length', 'z', colour('--color-base-content'), false, 'circle'),
          markLine: {
            silent: true,
            symbol: 'none',
            lineStyle: { color: colour('--color-unsure'), type: 'dotted', width: 2 },
            label: { show: false },
            data: [{ yAxis: 1000 * STILL_MM }, { yAxis: -1000 * STILL_MM }],
          },
        },
        line('radius', 'x', colour('--color-act'), true, 'rect'),
      ],
    })
    const watch = new ResizeObserver(() => chart.resize())
    watch.observe(place.current)
    return () => {
      watch.disconnect()
      chart.dispose()
    }
  }, [checks])
  return <div ref={place} className="h-[250px] w-full shrink-0" role="img" aria-label={say.driftOfTheBenchOver(checks.length)} />
}
