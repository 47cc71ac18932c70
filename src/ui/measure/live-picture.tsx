'use client'
import { useEffect, useRef } from 'react'
import { useHand } from './use-hand'
import { formatLength, unitMark, type LengthUnit } from '@/core/units'
import type { Shown } from '@/workers/shown'
import { say } from '@/words/screens/measure'

/** How much of the picture's height is shown: below it only the flank goes on. */
const SHOWN = 400 / 480
const SMALL = 280 / 480
/** Shape of a picture until the first one has come, px. */
const USUAL = { width: 640, height: 480 }

/** What the bench sees, with what was found in it. */
export function LivePicture({
  shown,
  edges,
  unit,
  small = false,
  whole = false,
  move,
}: {
  readonly shown: Shown | null
  readonly edges: number | null
  readonly unit: LengthUnit
  /** In a narrow place: outline and bars without their figures. */
  readonly small?: boolean
  /** All of the picture, down to its foot. */
  readonly whole?: boolean
  /** Moves the carriage by so many pixels and turns the spindle; left out where nothing may move. */
  readonly move?: (byU: number, byV: number, byDeg: number) => void
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { place, dragged, hand } = useHand(move)
  const { width, height } = shown ?? USUAL
  const high = height * (whole ? 1 : small ? SMALL : SHOWN)
  useEffect(() => {
    const target = canvas.current
    if (!target || !shown) return
    const image = new ImageData(shown.width, shown.height)
    const { grey } = shown
    for (let i = 0, k = 0; i < grey.length; i++, k += 4) {
      image.data[k] = grey[i]
      image.data[k + 1] = grey[i]
      image.data[k + 2] = grey[i] * 0.98
      image.data[k + 3] = 255
    }
    target.getContext('2d')?.putImageData(image, 0, 0)
  }, [shown])
  const length = (mm: number) => `${formatLength(mm, unit)} ${unitMark(unit)}`
  return (
    <figure
      ref={place}
      {...hand}
      className={`border-ink relative w-full max-w-[676px] overflow-hidden border ${move ? 'cursor-grab touch-none select-none active:cursor-grabbing' : ''}`}
      style={{ aspectRatio: `${width} / ${high}` }}
    >
      <canvas
        ref={canvas}
        width={width}
        height={height}
        className="absolute inset-x-0 top-0 w-full"
        style={{ translate: `${dragged.u}px ${dragged.v}px` }}
        role="img"
        aria-label={shown ? say.theBenchsPicture(shown.edge ? say.ofEdge(shown.edge) : '') : say.noPictureYet}
      />
      {!shown && <figcaption className="text-soft grid h-full place-items-center text-lg">{say.movingToTheTool}</figcaption>}
      {shown && dragged.u === 0 && dragged.v === 0 && <Overlay shown={shown} high={high} length={small ? null : length} />}
      {shown && !small && (
        <>
          <Tag className="top-2.5 left-2.5">
            {shown.edge
              ? say.edgeOfEdges(shown.edge, edges ? say.ofEdges(edges) : '', shown.spindleDeg.toFixed(1))
              : say.spindleAt(shown.spindleDeg.toFixed(1))}
          </Tag>
          <Tag className="top-2.5 right-2.5">
            {shown.focus === null ? say.turning : shown.focus > 0.85 ? say.sharp : say.notSharp}
          </Tag>
        </>
      )}
    </figure>
  )
}

const percent = (value: number, of: number) => `${(100 * value) / of}%`

function Overlay({
  shown,
  high,
  length,
}: {
  readonly shown: Shown
  /** Rows that are shown, px. */
  readonly high: number
  readonly length: ((mm: number) => string) | null
}) {
  const { width, outline, x, z, debris } = shown
  let path = ''
  for (let i = 0; i < outline.length; i += 4) {
    const far = i > 0 && Math.hypot(outline[i] - outline[i - 4], outline[i + 1] - outline[i - 3]) > 12
    path += `${i === 0 || far ? 'M' : 'L'}${outline[i].toFixed(1)} ${outline[i + 1].toFixed(1)}`
  }
  const low = high - 30
  return (
    <>
      <svg viewBox={`0 0 ${width} ${high}`} className="absolute inset-x-0 top-0 w-full" aria-hidden="true">
        <path d={path} fill="none" stroke="#e0a23a" strokeWidth="2" />
        {z && <path d={`M${z.u - 34} ${z.v - 4}h68`} stroke="#2d4a6d" strokeWidth="5" />}
        {x && <path d={`M${x.u + 4} ${Math.min(low - 70, Math.max(60, x.v - 35))}v70`} stroke="#2d4a6d" strokeWidth="5" />}
        {debris.map((d, i) => (
          <rect
            key={i}
            x={d.u - d.sidePx / 2}
            y={d.v - d.sidePx / 2}
            width={d.sidePx}
            height={d.sidePx}
            fill="none"
            stroke="#9a2c1c"
            strokeWidth="2.5"
          />
        ))}
      </svg>
      {length && z && !debris.some((d) => d.v < z.v + 90) && (
        <Tag
          className="border-act text-act -translate-x-1/2 -translate-y-full"
          style={{ left: percent(Math.max(70, z.u), width), top: percent(Math.max(44, z.v - 14), high) }}
        >
          {say.lengthMm(length(z.mm))}
        </Tag>
      )}
      {length && x && !debris.some((d) => Math.abs(d.v - Math.min(low, x.v)) < 70) && (
        <Tag
          className="border-act text-act"
          style={{ left: percent(Math.min(0.73 * width, x.u + 16), width), top: percent(Math.min(low, Math.max(60, x.v)), high) }}
        >
          {say.radiusMm(length(x.mm))}
        </Tag>
      )}
      {(length ? debris.slice(0, 2) : []).map((d, i) => (
        <Tag
          key={i}
          className="border-off text-off"
          style={{
            left: percent(Math.min(0.69 * width, d.u + d.sidePx / 2 + 8), width),
            top: percent(Math.max(6, d.v - d.sidePx / 2 - 30), high),
          }}
        >
          ◆ {length?.(d.highMm)} {say.highCleanHere}
        </Tag>
      ))}
    </>
  )
}

function Tag({
  children,
  className,
  style,
}: {
  readonly children: React.ReactNode
  readonly className: string
  readonly style?: React.CSSProperties
}) {
  return (
    <span
      className={`font-head bg-paper figures absolute rounded-[2px] border px-1.5 text-[17px] leading-[1.4] font-semibold whitespace-nowrap ${className}`}
      style={style}
    >
      {children}
    </span>
  )
}
