import type { PocketState, Standing } from '@/core/load'
import type { Magazine } from '@/core/tool'
import { pocketPlaces } from './pocket-places'

export interface MagazineView {
  readonly name: string
  readonly magazine: Magazine
  readonly pockets: readonly PocketState[]
  readonly atDoor: number | null
  /** Radius of a flange, mm: a free pocket is drawn so wide. */
  readonly flangeMm: number
}

/** Room round the pockets for what is written there. */
const LABEL_MM = 80

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
  const { at, widthMm, heightMm } = pocketPlaces(magazine, pockets.length, widest + LABEL_MM)
  const scale = Math.min(width / widthMm, height / heightMm)
  const middle = { x: widthMm / 2, y: heightMm / 2 }
  const text = 13 / scale
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      width={Math.round(widthMm * scale)}
      height={Math.round(heightMm * scale)}
      role="img"
      aria-label={`Magazine of ${view.name}: ${pockets.filter((p) => p.type === 'taken').length} of ${pockets.length} pockets taken`}
      className="font-head figures max-w-full"
    >
      {pockets.map((state, i) => {
        const { x, y } = at[i]
        const here = state.pocket === chosen
        // labels stand outside the ring, away from its middle; under a rack's row
        const away = magazine.form === 'rack' ? { x: 0, y: 1 } : outward(x - middle.x, y - middle.y, magazine.form)
        const radius = state.type === 'taken' ? state.by.radiusMm : flangeMm
        const reach = (here ? Math.max(widestMm ?? 0, radius) : radius) + text * 0.85
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
              <text
                x={x + away.x * reach}
                y={y + away.y * reach}
                fontSize={here ? text * 1.35 : text}
                fontWeight={here || state.type === 'taken' ? 700 : 500}
                fill={here ? 'var(--color-act)' : state.type === 'taken' ? 'var(--color-base-content)' : 'var(--soft)'}
                textAnchor={away.x > 0.5 ? 'start' : away.x < -0.5 ? 'end' : 'middle'}
                dominantBaseline="middle"
              >
                {state.type === 'taken' && !here ? labelOf(state.by) : state.pocket}
              </text>
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

/** Which way a label stands from its pocket. */
function outward(dx: number, dy: number, form: Magazine['form']): { x: number; y: number } {
  if (form === 'chain' && Math.abs(dy) > 1) return { x: 0, y: Math.sign(dy) }
  const length = Math.hypot(dx, dy) || 1
  return { x: dx / length, y: dy / length }
}

const labelOf = (s: Standing) => (s.t === null ? '?' : `T${s.t}`)

function titleOf(state: PocketState): string {
  if (state.type === 'free') return `Pocket ${state.pocket}: free`
  const { t, serial, massKg } = state.by
  const who = `T${t ?? '?'}${serial ? ` on ${serial}` : ', known to the control only'}`
  return state.type === 'taken'
    ? `Pocket ${state.pocket}: ${who}${massKg === null ? '' : `, ${massKg.toFixed(1)} kg`}`
    : `Pocket ${state.pocket}: too narrow beside ${who}`
}
