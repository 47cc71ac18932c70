import type { ReactNode } from 'react'
import type { PocketState, Standing } from '@/core/load'
import type { Magazine } from '@/core/tool'
import { fixed, mmToUnit, unitMark, type LengthUnit } from '@/core/units'
import { pocketPlaces } from './pocket-places'
import { say } from '@/words/screens/load'

export interface MagazineView {
  readonly name: string
  readonly magazine: Magazine
  readonly pockets: readonly PocketState[]
  readonly atDoor: number | null
  /** Radius of a flange, mm: a free pocket is drawn so wide. */
  readonly flangeMm: number
  readonly unit: LengthUnit
}

/** Room round the pockets for what is written there, px. */
const LABEL_PX = 36
/** Pockets nearer than this are written along the way out, px. */
const CLOSE_PX = 34

/**
 * The magazine to scale, looking along its tools: each as wide as it is, so that who blocks whom is seen.
 * @param widestMm of the tool in hand; null without one
 */
export function MagazineDrawing({
  view,
  chosen,
  widestMm,
  width,
  height,
  onChoose,
}: {
  readonly view: MagazineView
  readonly chosen: number | null
  readonly widestMm: number | null
  readonly width: number
  readonly height: number
  readonly onChoose?: (pocket: number) => void
}) {
  const { magazine, pockets, atDoor, flangeMm } = view
  const widest = Math.max(flangeMm, ...pockets.map((p) => (p.type === 'taken' ? p.by.radiusMm : 0)))
  const bare = pocketPlaces(magazine, pockets.length, widest)
  const least = Math.min((width - 2 * LABEL_PX) / bare.widthMm, (height - 2 * LABEL_PX) / bare.heightMm)
  const { at, widthMm, heightMm } = pocketPlaces(magazine, pockets.length, widest + LABEL_PX / least)
  const scale = Math.min(width / widthMm, height / heightMm)
  const close = magazine.pitchMm * scale < CLOSE_PX
  const text = 13 / scale
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      width={Math.round(widthMm * scale)}
      height={Math.round(heightMm * scale)}
      role="img"
      aria-label={say.magazineOfOfPocketsTaken(view.name, pockets.filter((p) => p.type === 'taken').length, pockets.length)}
      className="font-head figures max-w-full"
    >
      {pockets.map((state, i) => {
        // labels stand outside the ring, away from its middle; under a rack's row
        const { x, y, away } = at[i]
        const here = state.pocket === chosen
        const radius = state.type === 'taken' ? state.by.radiusMm : flangeMm
        const reach = (here ? Math.max(widestMm ?? 0, radius) : radius) + text * (close ? 0.35 : 0.85)
        const free = state.type === 'free' && onChoose
        return (
          <g
            key={state.pocket}
            onClick={free ? () => onChoose(state.pocket) : undefined}
            className={free ? 'cursor-pointer' : undefined}
            data-pocket={state.pocket}
            data-state={here ? 'chosen' : state.type}
          >
            <title>{titleOf(state)}</title>
            {state.type === 'taken' ? (
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
            )}
            {state.type === 'narrow' && (
              <path
                d={`M${x - flangeMm / 3} ${y - flangeMm / 3}l${(2 * flangeMm) / 3} ${(2 * flangeMm) / 3}m0 ${(-2 * flangeMm) / 3}l${(-2 * flangeMm) / 3} ${(2 * flangeMm) / 3}`}
                stroke="var(--soft)"
                strokeWidth={1.5 / scale}
              />
            )}
            {here && (
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
            )}
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
      })}
    </svg>
  )
}

/** What stands in a magazine, as a list: pocket, tool, how wide, how heavy. */
export function Inside({
  pockets,
  unit,
  decimals,
}: {
  readonly pockets: readonly PocketState[]
  readonly unit: LengthUnit
  readonly decimals: number
}) {
  const taken = pockets.flatMap((p) => (p.type === 'taken' ? [p] : []))
  if (!taken.length) return null
  const known = taken.flatMap(({ by }) => by.massKg ?? [])
  return (
    <details>
      <summary className="font-head min-h-11 cursor-pointer py-2 text-lg font-semibold">
        {say.inIt(
          taken.length === 1 ? say.oneTool : say.toolCount(taken.length),
          known.length ? say.kgKnown(known.reduce((a, b) => a + b, 0).toFixed(1)) : '',
        )}
      </summary>
      <ul className="grid grid-cols-2 gap-x-6">
        {taken.map(({ pocket, by }) => (
          <li
            key={pocket}
            className="border-rule figures grid min-h-8 grid-cols-[36px_56px_1fr_auto] items-center gap-2 border-b"
          >
            <span className="text-soft">{pocket}</span>
            <b className="font-head text-lg">{labelOf(by)}</b>
            <span>
              Ø {fixed(mmToUnit(2 * by.radiusMm, unit), Math.max(1, decimals - 2))} {unitMark(unit)}
            </span>
            <span className="text-soft">{by.massKg === null ? say.weightMissing : `${by.massKg.toFixed(1)} kg`}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}

const FILL = { here: 'var(--color-act)', taken: 'var(--color-base-content)', free: 'var(--soft)', narrow: 'var(--soft)' } as const

/** A word outside its pocket: level, or along the way out where pockets stand close; never upside down. */
function Written({
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

const labelOf = (s: Standing) => (s.t === null ? '?' : `T${s.t}`)

function titleOf(state: PocketState): string {
  if (state.type === 'free') return say.pocketFree(state.pocket)
  const { t, serial, massKg } = state.by
  const who = `T${t ?? '?'}${serial ? say.onSerial(serial) : say.knownToTheControlOnly}`
  return state.type === 'taken'
    ? say.pocketTakenBy(state.pocket, who, massKg === null ? '' : say.massInKg(massKg.toFixed(1)))
    : say.pocketTooNarrowBeside(state.pocket, who)
}
