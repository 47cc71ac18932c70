'use client'
import type { SetMeasurement } from '@/core/sets'
import { formatDeviation, type LengthUnit } from '@/core/units'
import { say } from '@/words/screens/measure'

/** Half the width of the band when no limit is set, mm. */
const USUAL_BAND = 0.005

export interface RibbonProps {
  readonly set: SetMeasurement | null
  readonly count: number | null
  readonly unit: LengthUnit
  /** Largest allowed spread of the radii, mm. */
  readonly runoutMax: number | null
  readonly lengthSpreadMax: number | null
  readonly current: number | null
  readonly goTo: (edge: number) => void
}

/** One cell an edge round the tool: how far its radius and its length stand from the middle of all. */
export function EdgeRibbon({ set, count, unit, runoutMax, lengthSpreadMax, current, goTo }: RibbonProps) {
  const edges = set?.edges ?? Array.from({ length: count ?? 0 }, (_, i) => ({ edge: i + 1, x: null, z: null, debris: [] }))
  const middle = (key: 'x' | 'z') => {
    const values = edges.flatMap((e) => (e[key] ? [e[key].value] : []))
    return values.length ? (Math.max(...values) + Math.min(...values)) / 2 : 0
  }
  const midX = middle('x')
  const midZ = middle('z')
  const band = (runoutMax ?? 2 * USUAL_BAND) / 2
  const bandZ = (lengthSpreadMax ?? 2 * USUAL_BAND) / 2
  const dirty = new Set(set?.warnings.filter((w) => w.warning.code === 'DEBRIS').map((w) => w.edge))
  const worstOf = Math.max(...edges.map((e) => (e.x ? Math.abs(e.x.value - midX) : 0)))
  return (
    <div
      className="border-rule grid max-w-[676px] border-t"
      style={{ gridTemplateColumns: `74px repeat(${Math.max(1, edges.length)}, minmax(64px, 1fr))` }}
    >
      <div className="font-head text-soft border-rule border-r px-1 py-1.5 text-[15px] leading-tight font-medium">
        <span aria-hidden="true">●</span> {say.radius}
        <br />
        <span aria-hidden="true">○</span> {say.length}
        <br />
        {formatDeviation(band, unit).replace('+', '±')}
      </div>
      {edges.length === 0 && <div className="text-soft px-3 py-2">{say.theEdgesAreFoundWhen}</div>}
      {edges.map((e) => {
        const dx = e.x ? e.x.value - midX : null
        const dz = e.z ? e.z.value - midZ : null
        const out = dx !== null && Math.abs(dx) > band + 1e-9
        const outZ = dz !== null && Math.abs(dz) > bandZ + 1e-9
        const bad = out || outZ || dirty.has(e.edge)
        const at = (d: number, b: number) => Math.max(6, Math.min(94, 50 + (d / b) * 30))
        return (
          <button
            key={e.edge}
            type="button"
            onClick={() => goTo(e.edge)}
            aria-label={say.edgeWithMore(
              e.edge,
              dx === null ? '' : say.radiusLength(formatDeviation(dx, unit), formatDeviation(dz ?? 0, unit)),
              dirty.has(e.edge) ? say.toClean : '',
            )}
            className={`font-head border-rule relative flex h-[78px] flex-col border-r px-1.5 py-1 text-left text-[16px] font-semibold last:border-r-0 ${current === e.edge ? 'shadow-[inset_0_3px_0_var(--color-act)]' : ''}`}
          >
            <span className="flex w-full justify-between gap-1 whitespace-nowrap">
              <span>
                {edges.length > 6 ? '' : say.edgeLower}
                {e.edge}
              </span>
              <span className={`figures ${bad ? 'text-off' : dx === null ? 'text-soft' : 'text-holds'}`}>
                {dirty.has(e.edge) ? say.clean : dx === null ? '–' : formatDeviation(dx, unit)}
              </span>
            </span>
            <svg
              viewBox="0 0 100 44"
              preserveAspectRatio="none"
              className="absolute inset-x-0 bottom-1 h-[46px] w-full"
              aria-hidden="true"
            >
              <rect x="20" y="4" width="60" height="36" fill="var(--color-base-200)" />
              <path d="M50 1V43" stroke="var(--soft)" vectorEffect="non-scaling-stroke" />
            </svg>
            {dx !== null && (
              <Mark
                left={at(dx, band)}
                top={38}
                shape={out ? 'diamond' : 'dot'}
                worst={Math.abs(dx) === worstOf && edges.length > 1}
              />
            )}
            {dz !== null && <Mark left={at(dz, bandZ)} top={57} shape={outZ ? 'diamond' : 'ring'} worst={false} />}
          </button>
        )
      })}
    </div>
  )
}

function Mark({
  left,
  top,
  shape,
  worst,
}: {
  readonly left: number
  readonly top: number
  readonly shape: 'dot' | 'ring' | 'diamond'
  readonly worst: boolean
}) {
  return (
    <svg
      className="absolute -translate-x-1/2 -translate-y-1/2"
      style={{ left: `${left}%`, top }}
      width="18"
      height="16"
      viewBox="-9 -8 18 16"
      aria-hidden="true"
    >
      {shape === 'diamond' && <path d="M0-7 6 0 0 7-6 0Z" fill="var(--color-off)" />}
      {shape === 'dot' && <circle r="5.5" fill="var(--color-holds)" />}
      {shape === 'ring' && <circle r="5" fill="none" stroke="var(--color-base-content)" strokeWidth="2" />}
      {worst && shape === 'dot' && <circle r="7.2" fill="none" stroke="var(--color-holds)" />}
    </svg>
  )
}
