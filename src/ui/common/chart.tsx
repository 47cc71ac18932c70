'use client'
import { BarChart, CustomChart, LineChart, ScatterChart } from 'echarts/charts'
import {
  DataZoomComponent,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { init, use as withParts, type EChartsType } from 'echarts/core'
import type { EChartsOption } from 'echarts'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'

withParts([
  ...[LineChart, BarChart, ScatterChart, CustomChart, SVGRenderer],
  ...[GridComponent, LegendComponent, MarkLineComponent, MarkAreaComponent, TooltipComponent, DataZoomComponent],
])

/** Inks of the theme, as a chart needs them: it knows no style sheet. */
export interface Inks {
  readonly text: string
  readonly soft: string
  readonly rule: string
  /** Of the sheet: for what is written on an ink. */
  readonly ground: string
  readonly act: string
  readonly holds: string
  readonly unsure: string
  readonly off: string
  readonly font: { readonly color: string; readonly fontFamily: string; readonly fontSize: number }
}

function inksNow(): Inks {
  const style = getComputedStyle(document.documentElement)
  const colour = (name: string) => style.getPropertyValue(name).trim()
  const soft = colour('--soft')
  return {
    ...{
      text: colour('--color-base-content'),
      soft,
      rule: colour('--color-base-300'),
      ground: colour('--color-base-100'),
      act: colour('--color-act'),
    },
    ...{ holds: colour('--color-holds'), unsure: colour('--color-unsure'), off: colour('--color-off') },
    font: { color: soft, fontFamily: 'Sofia Sans Condensed Variable', fontSize: 15 },
  }
}

/** A chart; what it shows stands in a table beside it as well. @param draw made anew when it changes or the theme does */
export function Chart({
  draw,
  label,
  high = 260,
}: {
  readonly draw: (inks: Inks) => EChartsOption
  /** For whoever does not see it. */
  readonly label: string
  /** px */
  readonly high?: number
}) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!place.current) return
    const chart: EChartsType = init(place.current, undefined, { renderer: 'svg' })
    const show = () => {
      const inks = inksNow()
      chart.setOption({ animation: false, textStyle: inks.font, ...draw(inks) }, true)
    }
    show()
    const resized = new ResizeObserver(() => chart.resize())
    resized.observe(place.current)
    const themed = new MutationObserver(show)
    themed.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => {
      resized.disconnect()
      themed.disconnect()
      chart.dispose()
    }
  }, [draw])
  return <div ref={place} style={{ height: high }} className="w-full shrink-0" role="img" aria-label={label} />
}
