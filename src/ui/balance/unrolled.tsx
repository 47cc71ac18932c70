import { toGoDeg, type BalanceFit, type Unbalance } from '@/core/balance'
import type { BalanceView, DrawnPlane } from '@/stations/balance/contract'
import { unbalanceText } from '@/words/balance'
import { say } from '@/words/screens/balance'
import { Angles, Corrected, Hole, LEFT, Never, Pointer, Step, WIDTH, x, type DrawnStep } from './unrolled-marks'

const BAND = 104
const TALL = 154
const WAVE = 24

const wave = (mid: number, { gmm, deg }: Unbalance, scale: number): string =>
  Array.from({ length: 91 }, (_, i) => {
    const at = i * 4
    const y = mid - gmm * scale * Math.cos(((at - deg) * Math.PI) / 180)
    return `${i === 0 ? 'M' : 'L'}${(LEFT + at * (WIDTH / 360)).toFixed(1)} ${y.toFixed(1)}`
  }).join('')

/** The holder's circumference, unrolled: what is heavy where, and what to do where. */
export function Unrolled({
  view,
  fit,
  angleDeg,
}: {
  readonly view: BalanceView
  readonly fit: BalanceFit | null
  /** Where the spindle is while somebody turns it by hand; null while it turns by itself. */
  readonly angleDeg: number | null
}) {
  const { standing, planes } = view
  const shown = standing ?? view.before
  const most = Math.max(1e-9, ...(shown?.planes ?? []).map((p) => p.unbalance.gmm))
  const step = fit?.steps[view.done] ?? null
  // the front row above, as the tool is looked at from its tip
  const order = planes.map((_, i) => i).reverse()
  return (
    <div className="flex flex-col gap-1">
      {order.map((p) => (
        <Band
          key={p}
          plane={planes[p]}
          now={shown?.planes[p]?.unbalance ?? null}
          after={standing && fit ? (fit.after.planes[p]?.unbalance ?? null) : null}
          good={view.good}
          scale={WAVE / most}
          steps={
            fit?.steps.map((s, i) => ({ step: s, state: i < view.done ? 'done' : i === view.done ? 'next' : 'later' })) ?? []
          }
          view={view}
          angleDeg={angleDeg}
          toDeg={step?.plane === planes[p].name ? step.deg : null}
        />
      ))}
    </div>
  )
}

const planeName = ({ name }: DrawnPlane) => (name === null ? say.whole : say[name])

function Band({
  plane,
  now,
  after,
  good,
  scale,
  steps,
  view,
  angleDeg,
  toDeg,
}: {
  readonly plane: DrawnPlane
  readonly now: Unbalance | null
  readonly after: Unbalance | null
  readonly good: boolean
  readonly scale: number
  readonly steps: readonly DrawnStep[]
  readonly view: BalanceView
  readonly angleDeg: number | null
  readonly toDeg: number | null
}) {
  const top = 24
  const mid = top + 30
  const holes = top + 84
  const own = steps.filter(({ step }) => step.plane === plane.name)
  const toGo = angleDeg !== null && toDeg !== null ? Math.round(toGoDeg(angleDeg, toDeg)) : null
  const heavy = now && now.gmm * scale > 4 ? now : null
  return (
    <svg
      viewBox={`0 0 660 ${TALL}`}
      className="font-head w-full max-w-[760px]"
      role="img"
      aria-label={say.unbalanceOverTheTurn(planeName(plane))}
    >
      <text x={LEFT} y={16} className="fill-ink text-[17px] font-semibold">
        {planeName(plane)}
        {angleDeg !== null && toGo !== null && ` · ${say.spindleAt(Math.round(angleDeg), toGo)}`}
      </text>
      <rect x={LEFT} y={top} width={WIDTH} height={BAND} className="fill-ground" />
      <Never arcs={plane.never} top={top} tall={BAND} />
      <path d={`M${LEFT} ${mid}H${LEFT + WIDTH}`} className="stroke-rule" />
      {heavy && (
        <text
          x={Math.min(LEFT + WIDTH - 80, Math.max(LEFT + (toGo === null ? 150 : 330), x(heavy.deg)))}
          y={16}
          textAnchor="middle"
          className={`text-[17px] font-bold ${good ? 'fill-holds' : 'fill-off'}`}
        >
          {say.heavyHere(unbalanceText(heavy.gmm))}
        </text>
      )}
      {now && <path d={wave(mid, now, scale)} fill="none" strokeWidth={3} className={good ? 'stroke-holds' : 'stroke-off'} />}
      {after && <path d={wave(mid, after, scale)} fill="none" strokeWidth={3} strokeDasharray="7 5" className="stroke-holds" />}
      {angleDeg !== null && <Pointer angleDeg={angleDeg} top={top} tall={BAND} />}
      {plane.holes.map((deg, hole) => (
        <Hole key={deg} deg={deg} y={holes} plane={plane} hole={hole} view={view} steps={own} />
      ))}
      <Corrected plane={plane} has={view.has} steps={own} y={holes} />
      {own.map((drawn, i) => (
        <Step key={i} drawn={drawn} y={holes} />
      ))}
      <Angles top={top + BAND} />
    </svg>
  )
}
