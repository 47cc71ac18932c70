'use client'
import { useCallback } from 'react'
import { STILL_MM, type ZeroCheck } from '@/core/judge'
import { say } from '@/words/screens/measure'
import { Chart, type Inks } from '../common/chart'

/** What each check found, length and radius, over time; the band within which nothing but heat is at work. */
export function DriftChart({ checks }: { readonly checks: readonly ZeroCheck[] }) {
  const draw = useCallback(
    (inks: Inks) => {
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
      return {
        legend: { top: 0, right: 8, textStyle: inks.font, itemWidth: 34 },
        grid: { left: 52, right: 16, top: 34, bottom: 30 },
        xAxis: { type: 'time' as const, axisLabel: { ...inks.font, hideOverlap: true }, splitLine: { show: false } },
        yAxis: {
          type: 'value' as const,
          min: -most,
          max: most,
          interval: most / 2,
          axisLabel: { ...inks.font, formatter: '{value} µm' },
          splitLine: { lineStyle: { color: inks.rule } },
        },
        series: [
          {
            ...line('length', 'z', inks.text, false, 'circle'),
            markLine: {
              silent: true,
              symbol: 'none',
              lineStyle: { color: inks.unsure, type: 'dotted' as const, width: 2 },
              label: { show: false },
              data: [{ yAxis: 1000 * STILL_MM }, { yAxis: -1000 * STILL_MM }],
            },
          },
          line('radius', 'x', inks.act, true, 'rect'),
        ],
      }
    },
    [checks],
  )
  return <Chart draw={draw} label={say.driftOfTheBenchOver(checks.length)} high={250} />
}
