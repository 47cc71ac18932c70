'use client'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import { init, use as withParts, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { toRead } from '@/core/units'
import { temperatureText } from '@/words/quantity'
import { useUnits } from '../shell/shell-context'
import { say } from '@/words/screens/build'

withParts([LineChart, GridComponent, MarkLineComponent, SVGRenderer])

const colour = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** Temperature of the nose over time, with the target and what the holder may see. */
export function Curve({
  points,
  targetC,
  limitC,
}: {
  readonly points: readonly (readonly [number, number])[]
  readonly targetC: number | null
  readonly limitC: number | null
}) {
  const units = useUnits()
  const place = useRef<HTMLDivElement>(null)
  const chart = useRef<EChartsType | null>(null)
  useEffect(() => {
    if (!place.current) return
    chart.current = init(place.current, undefined, { renderer: 'svg' })
    return () => chart.current?.dispose()
  }, [])
  useEffect(() => {
    const soft = colour('--soft')
    const read = (celsius: number) => Math.round(toRead(celsius, 'temperature', units))
    const fahrenheit = units.temperature === '°F'
    const lines = [
      ...(targetC === null ? [] : [{ yAxis: read(targetC), name: 'target' }]),
      ...(limitC === null ? [] : [{ yAxis: read(limitC), name: 'limit' }]),
    ]
    const text = { color: soft, fontFamily: 'Sofia Sans Condensed Variable', fontSize: 14 }
    chart.current?.setOption({
      animation: false,
      textStyle: text,
      grid: { left: 38, right: 52, top: 10, bottom: 26 },
      xAxis: {
        type: 'value',
        min: 0,
        axisLabel: { ...text, formatter: '{value} s' },
        splitLine: { show: false },
        axisLine: { lineStyle: { color: soft } },
      },
      yAxis: {
        type: 'value',
        min: 0,
        max: Math.max(fahrenheit ? 800 : 400, limitC === null ? 0 : read(limitC)),
        interval: fahrenheit ? 200 : 100,
        axisLabel: text,
        splitLine: { lineStyle: { color: colour('--color-base-300') } },
      },
      series: [
        {
          type: 'line',
          data: points.map(([s, celsius]) => [s, read(celsius)]),
          showSymbol: false,
          lineStyle: { width: 2.5, color: colour('--color-error') },
          markLine: {
            silent: true,
            symbol: 'none',
            data: lines,
            lineStyle: { color: soft, type: 'dashed' },
            label: { ...text, formatter: '{b}', position: 'end' },
          },
        },
      ],
    })
  }, [points, targetC, limitC, units])
  const last = points.at(-1)?.[1]
  return (
    <div
      ref={place}
      className="h-[150px] w-full"
      role="img"
      aria-label={say.temperatureNow(last === undefined ? '–' : temperatureText(last, units))}
    />
  )
}
