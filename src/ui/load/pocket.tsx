'use client'
import type { Units } from '@/core/units'
import type { ReactNode } from 'react'
import type { PocketState, Standing } from '@/core/load'
import { say } from '@/words/screens/load'
import { massText } from '@/words/quantity'
import { useUnits } from '../shell/shell-context'

/** One pocket of the magazine, with what stands in it. */
export function Pocket({
  state,
  free,
  onChoose,
  here,
  x,
  y,
  radius,
  flangeMm,
  scale,
  widestMm,
  away,
  reach,
  close,
  text,
  atDoor,
}: {
  readonly state: PocketState
  readonly free: boolean
  readonly onChoose: ((pocket: number) => void) | undefined
  readonly here: boolean
  readonly x: number
  readonly y: number
  readonly radius: number
  readonly flangeMm: number
  readonly scale: number
  readonly widestMm: number | null
  readonly away: { readonly x: number; readonly y: number }
  readonly reach: number
  readonly close: boolean
  readonly text: number
  readonly atDoor: number | null
}) {
  const units = useUnits()
  return (
    <g
      onClick={free ? () => onChoose?.(state.pocket) : undefined}
      className={free ? 'cursor-pointer' : undefined}
      data-pocket={state.pocket}
      data-state={here ? 'chosen' : state.type}
    >
      <title>{titleOf(state, units)}</title>
      <Body state={state} x={x} y={y} radius={radius} flangeMm={flangeMm} here={here} scale={scale} />
      {state.type === 'narrow' && (
        <path
          d={`M${x - flangeMm / 3} ${y - flangeMm / 3}l${(2 * flangeMm) / 3} ${(2 * flangeMm) / 3}m0 ${(-2 * flangeMm) / 3}l${(-2 * flangeMm) / 3} ${(2 * flangeMm) / 3}`}
          stroke="var(--soft)"
          strokeWidth={1.5 / scale}
        />
      )}
      <Chosen here={here} x={x} y={y} widestMm={widestMm} flangeMm={flangeMm} scale={scale} />
      {(state.type === 'taken' || here || state.pocket === 1 || state.pocket % 10 === 0) && (
        <Written
          x={x + away.x * reach}
          y={y + away.y * reach}
          away={away}
          along={close}
          size={here ? text * 1.35 : text}
          tone={here ? 'here' : state.type}
        >
          {state.type === 'taken' && !here ? labelOf(state.by) : state.pocket}
        </Written>
      )}
      {state.pocket === atDoor && (
        <path
          d={`M${x - away.x * (flangeMm + 4 / scale) - away.y * (6 / scale)} ${y - away.y * (flangeMm + 4 / scale) + away.x * (6 / scale)}l${(away.y * 12) / scale} ${(-away.x * 12) / scale}l${(away.x * 8 - away.y * 6) / scale} ${(away.y * 8 + away.x * 6) / scale}z`}
          fill="var(--color-base-content)"
        />
      )}
    </g>
  )
}

/** The tool at hand, drawn where it would stand. */
function Chosen({
  here,
  x,
  y,
  widestMm,
  flangeMm,
  scale,
}: {
  readonly here: boolean
  readonly x: number
  readonly y: number
  readonly widestMm: number | null
  readonly flangeMm: number
  readonly scale: number
}) {
  return (
    here && (
      <>
        <circle
          cx={x}
          cy={y}
          r={Math.max(widestMm ?? 0, flangeMm)}
          fill="var(--color-act)"
          fillOpacity={0.2}
          stroke="var(--color-act)"
          strokeWidth={3 / scale}
        />
        <circle cx={x} cy={y} r={3 / scale} fill="var(--color-act)" />
      </>
    )
  )
}

/** What stands in it, to scale. */
function Body({
  state,
  x,
  y,
  radius,
  flangeMm,
  here,
  scale,
}: {
  readonly state: PocketState
  readonly x: number
  readonly y: number
  readonly radius: number
  readonly flangeMm: number
  readonly here: boolean
  readonly scale: number
}) {
  return state.type === 'taken' ? (
    <circle cx={x} cy={y} r={radius} fill="var(--color-neutral)" opacity={state.by.serial ? 1 : 0.62} />
  ) : (
    <circle
      cx={x}
      cy={y}
      r={flangeMm * 0.82}
      fill={here ? 'none' : 'var(--color-base-100)'}
      stroke={here ? 'none' : 'var(--color-base-300)'}
      strokeWidth={2 / scale}
      strokeDasharray={state.type === 'narrow' ? `${4 / scale} ${4 / scale}` : undefined}
    />
  )
}

/** A word outside its pocket: level, or along the way out where pockets stand close; never upside down. */
export function Written({
  x,
  y,
  away,
  along,
  size,
  tone,
  children,
}: {
  readonly x: number
  readonly y: number
  readonly away: { readonly x: number; readonly y: number }
  readonly along: boolean
  readonly size: number
  readonly tone: keyof typeof FILL
  readonly children: ReactNode
}) {
  const deg = (Math.atan2(away.y, away.x) * 180) / Math.PI
  const turned = deg > 89.9 || deg < -90.1
  const level = away.x > 0.5 ? 'start' : away.x < -0.5 ? 'end' : 'middle'
  return (
    <text
      x={x}
      y={y}
      // rounded: server and browser do not compute a sine to the same last digit
      transform={along ? `rotate(${(turned ? deg - 180 : deg).toFixed(2)} ${x} ${y})` : undefined}
      fontSize={size}
      fontWeight={tone === 'here' || tone === 'taken' ? 700 : 500}
      fill={FILL[tone]}
      textAnchor={along ? (turned ? 'end' : 'start') : level}
      dominantBaseline="middle"
    >
      {children}
    </text>
  )
}

export const FILL = {
  here: 'var(--color-act)',
  taken: 'var(--color-base-content)',
  free: 'var(--soft)',
  narrow: 'var(--soft)',
} as const

export const labelOf = (s: Standing) => (s.t === null ? '?' : `T${s.t}`)

export function titleOf(state: PocketState, units: Units): string {
  if (state.type === 'free') return say.pocketFree(state.pocket)
  const { t, serial, massKg } = state.by
  const who = `T${t ?? '?'}${serial ? say.onSerial(serial) : say.knownToTheControlOnly}`
  return state.type === 'taken'
    ? say.pocketTakenBy(state.pocket, who, massKg === null ? '' : say.withMass(massText(massKg, units)))
    : say.pocketTooNarrowBeside(state.pocket, who)
}
