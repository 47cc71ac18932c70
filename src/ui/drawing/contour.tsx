import type { ContourPiece } from '@/core/tool'
import { say } from '@/words/screens/shell'

const ends = (p: ContourPiece) =>
  p.type === 'line'
    ? [p.from, p.to]
    : [p.fromRad, p.toRad].map((a) => [p.centre[0] + p.radiusMm * Math.cos(a), p.centre[1] + p.radiusMm * Math.sin(a)] as const)

/** A nominal contour to scale: radius to the right, height upwards, the axis dashed. */
export function Contour({
  pieces,
  width,
  height,
}: {
  readonly pieces: readonly ContourPiece[]
  readonly width: number
  readonly height: number
}) {
  const points = pieces.flatMap(ends)
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
  const [left, right, low, high] = [Math.min(0, ...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const scale = Math.min((width - 20) / Math.max(1, right - left), (height - 20) / Math.max(1, high - low))
  const at = ([x, y]: readonly [number, number]) =>
    `${(10 + (x - left) * scale).toFixed(1)} ${(10 + (high - y) * scale).toFixed(1)}`
  const path = pieces.map((p) => {
    const [from, to] = ends(p)
    if (p.type === 'line') return `M${at(from)}L${at(to)}`
    const r = p.radiusMm * scale
    const large = Math.abs(p.toRad - p.fromRad) > Math.PI ? 1 : 0
    // the picture's y points down: anticlockwise in the drawing is sweep 0
    return `M${at(from)}A${r} ${r} 0 ${large} ${p.toRad > p.fromRad ? 0 : 1} ${at(to)}`
  })
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={say.nominalContourPieces(pieces.length)}
      className="max-w-full shrink-0"
    >
      <path d={`M${at([0, low])}L${at([0, high])}`} stroke="var(--soft)" strokeDasharray="6 3 1 3" />
      <path d={path.join('')} fill="none" stroke="var(--color-base-content)" strokeWidth="1.6" />
    </svg>
  )
}
