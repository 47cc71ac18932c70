import { walkingPath } from '@/core/plan'
import type { StoreUnit } from '@/core/tool'
import { say } from '@/words/screens/store'

const CELL = 20

export interface PlanProps {
  readonly units: readonly StoreUnit[]
  readonly width: number
  readonly height: number
  /** Units in walking order, the first and last where one stands. */
  readonly round?: readonly string[]
  /** The unit to go to now. */
  readonly lit?: string | null
  readonly title: string
}

/** The shop's store from above: furniture to the grid, the round as a dashed line, the unit to go to filled. */
export function Plan({ units, width, height, round = [], lit = null, title }: PlanProps) {
  const way = round.length > 1 ? walkingPath({ units, width, height }, [...round, round[0]]) : []
  const path = way.map(([x, y]) => `${x * CELL} ${y * CELL}`).join('L')
  return (
    <svg
      viewBox={`0 0 ${width * CELL} ${height * CELL}`}
      role="img"
      aria-label={title}
      className="font-head bg-ground border-rule block w-full border"
    >
      {path && (
        <path
          d={`M${path}`}
          fill="none"
          stroke="var(--color-act)"
          strokeWidth="3"
          strokeDasharray="7 5"
          strokeLinejoin="round"
          opacity="0.8"
        />
      )}
      {units.map((u) => {
        const on = u.id === lit
        const turn = round.indexOf(u.id)
        return (
          <g key={u.id}>
            <rect
              x={u.x * CELL}
              y={u.y * CELL}
              width={u.w * CELL}
              height={u.h * CELL}
              fill={on ? 'var(--color-act)' : u.kind === 'cart' ? 'var(--lichen)' : 'var(--color-base-100)'}
              stroke="var(--stone)"
              strokeWidth="2"
            />
            <text
              x={(u.x + u.w / 2) * CELL}
              y={(u.y + u.h / 2) * CELL + 7}
              textAnchor="middle"
              fontSize="21"
              fontWeight="600"
              fill={on ? 'var(--color-primary-content)' : 'var(--color-base-content)'}
            >
              {u.kind === 'bench' ? say.bench : u.kind === 'cart' ? u.name.toLowerCase() : u.id}
              {turn > 0 ? ` · ${turn}` : ''}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
