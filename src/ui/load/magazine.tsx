import type { PocketState } from '@/core/load'
import type { Magazine } from '@/core/tool'
import { fixed, mmToUnit, unitMark, type LengthUnit } from '@/core/units'
import { pocketPlaces } from './pocket-places'
import { say } from '@/words/screens/load'
import { Pocket, labelOf } from './pocket'
import { massText } from '@/words/quantity'
import { useUnits } from '../shell/shell-context'

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
        const free = state.type === 'free' && onChoose !== undefined
        return (
          <Pocket
            key={state.pocket}
            state={state}
            free={free}
            onChoose={onChoose}
            here={here}
            x={x}
            y={y}
            radius={radius}
            flangeMm={flangeMm}
            scale={scale}
            widestMm={widestMm}
            away={away}
            reach={reach}
            close={close}
            text={text}
            atDoor={atDoor}
          />
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
  const units = useUnits()
  const taken = pockets.flatMap((p) => (p.type === 'taken' ? [p] : []))
  if (!taken.length) return null
  const known = taken.flatMap(({ by }) => by.massKg ?? [])
  return (
    <details>
      <summary className="fold text-ink">
        {say.inIt(
          taken.length === 1 ? say.oneTool : say.toolCount(taken.length),
          known.length
            ? say.massKnown(
                massText(
                  known.reduce((a, b) => a + b, 0),
                  units,
                ),
              )
            : '',
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
            <span className="text-soft">{by.massKg === null ? say.weightMissing : massText(by.massKg, units)}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
