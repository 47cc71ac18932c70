import { TIP_TOWARDS, type TipOrientation } from '@/core/tool'
import { say } from '@/words/screens/measure'

const SIZE = 100
const [NOSE, CENTRE] = [16, 50]

/**
 * The nose of an insert with its imaginary tip.
 * @param axes of a lathe: X up and Z to the right; on the bench X points to the right, and Z up
 */
export function NoseDrawing({
  q,
  axes,
  size = 96,
}: {
  readonly q: TipOrientation
  readonly axes: 'lathe' | 'bench'
  readonly size?: number
}) {
  const { x, z } = TIP_TOWARDS[q]
  const [right, up] = axes === 'lathe' ? [z, x] : [x, z]
  const name = axes === 'lathe' ? ['Z', 'X'] : ['X', 'Z']
  const tip = { x: CENTRE + NOSE * right, y: CENTRE - NOSE * up }
  // the body of the insert runs away from the tip: a square of it, cut by its own nose
  const away = right === 0 && up === 0 ? { x: 0, y: 0 } : { x: -right, y: up }
  return (
    <svg viewBox={`0 0 ${SIZE} ${SIZE}`} width={size} height={size} role="img" aria-label={say.tipPointsTo(q)}>
      <path
        d={bodyOf(away)}
        fill="var(--color-base-300)"
        stroke="var(--color-stone, var(--soft))"
        strokeWidth="1.5"
        strokeLinejoin="round"
      />
      <circle cx={CENTRE} cy={CENTRE} r={NOSE} fill="var(--color-base-300)" stroke="var(--color-ink)" strokeWidth="2" />
      <path d={`M${CENTRE - 3} ${CENTRE}h6m-3 -3v6`} stroke="var(--color-ink)" strokeWidth="1.2" />
      <path d={`M${tip.x - 6} ${tip.y}h12m-6 -6v12`} stroke="var(--color-act)" strokeWidth="2.5" />
      <path d="M6 94v-18m0 18h18" fill="none" stroke="var(--soft)" strokeWidth="1.5" />
      <text x="27" y="97" fontSize="11" fill="var(--soft)">
        {name[0]}
      </text>
      <text x="3" y="72" fontSize="11" fill="var(--soft)">
        {name[1]}
      </text>
    </svg>
  )
}

/** Two tangents of the nose that run away from the tip; towards both sides where it points along an axis. */
function bodyOf(away: { readonly x: number; readonly y: number }): string {
  const far = 34
  if (away.x === 0 && away.y === 0) return ''
  if (away.x !== 0 && away.y !== 0) {
    const [cx, cy] = [CENTRE - NOSE * away.x, CENTRE - NOSE * away.y]
    return `M${CENTRE} ${cy}L${CENTRE + far * away.x} ${cy + 3 * away.y}L${CENTRE + far * away.x} ${CENTRE + far * away.y}L${cx + 3 * away.x} ${CENTRE + far * away.y}L${cx} ${CENTRE}Z`
  }
  const across = { x: Math.abs(away.y), y: Math.abs(away.x) }
  const at = (along: number, side: number) =>
    `${CENTRE + along * away.x + side * across.x} ${CENTRE + along * away.y + side * across.y}`
  return `M${at(0, NOSE)}L${at(far, NOSE + 8)}L${at(far, -NOSE - 8)}L${at(0, -NOSE)}Z`
}
