import { toGoDeg, type BalanceFit, type FitStep, type Unbalance } from '@/core/balance'
import type { BalanceView, DrawnPlane } from '@/stations/balance/contract'
import { massText, unbalanceText } from '@/words/balance'
import { say } from '@/words/screens/balance'

/** One turn along the width; px. */
const LEFT = 30
const WIDTH = 600
const BAND = 104
const TALL = 154
const WAVE = 24
const x = (deg: number) => LEFT + (((deg % 360) + 360) % 360) * (WIDTH / 360)

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

interface DrawnStep {
  readonly step: FitStep
  readonly state: 'done' | 'next' | 'later'
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
      {plane.holes.map((deg, hole) => (
        <Hole key={deg} deg={deg} y={holes} plane={plane} hole={hole} view={view} steps={own} />
      ))}
      {own
        .filter(({ step }) => step.type === 'ring' || step.type === 'drill')
        .map(({ step, state }, i) => (
          <Mark
            key={i}
            deg={step.deg}
            y={holes}
            text={step.type === 'drill' ? `${step.depthMm.toFixed(1)} mm` : `${'ring' in step ? step.ring + 1 : ''}`}
            state={state}
          />
        ))}
      {angleDeg !== null && <Pointer angleDeg={angleDeg} top={top} />}
      <Angles top={top} />
    </svg>
  )
}

/** Where the spindle is. */
const Pointer = ({ angleDeg, top }: { readonly angleDeg: number; readonly top: number }) => (
  <path d={`M${x(angleDeg)} ${top - 4}V${top + BAND + 6}`} strokeWidth={2} strokeDasharray="2 4" className="stroke-ink" />
)

const Angles = ({ top }: { readonly top: number }) => (
  <>
    {Array.from({ length: 13 }, (_, i) => i * 30).map((deg) => (
      <g key={deg}>
        <path d={`M${LEFT + deg * (WIDTH / 360)} ${top + BAND}v${deg % 90 ? 5 : 9}`} className="stroke-ink" />
        {deg % 60 === 0 && (
          <text x={LEFT + deg * (WIDTH / 360)} y={top + BAND + 24} textAnchor="middle" className="fill-soft text-[16px]">
            {deg}°
          </text>
        )}
      </g>
    ))}
  </>
)

const FILL = { done: 'fill-holds', next: 'fill-act', later: 'fill-act' } as const

function Hole({
  deg,
  y,
  plane,
  hole,
  view,
  steps,
}: {
  readonly deg: number
  readonly y: number
  readonly plane: DrawnPlane
  readonly hole: number
  readonly view: BalanceView
  readonly steps: readonly DrawnStep[]
}) {
  const here = steps.findLast(({ step }) => 'hole' in step && step.hole === hole)
  const is = view.has.screws.find((s) => s.plane === plane.name && s.hole === hole)
  const comes = here?.step.type === 'screw in' ? here : null
  const goes = here?.step.type === 'screw out' && here.state !== 'done' ? here : null
  const massG = comes?.step.type === 'screw in' ? comes.step.massG : is?.massG
  const look = comes ? FILL[comes.state] : is ? 'fill-stone' : 'fill-paper'
  return (
    <g>
      <circle
        cx={x(deg)}
        cy={y}
        r={11}
        strokeWidth={here?.state === 'next' ? 4 : 2}
        className={`${look} ${here?.state === 'next' ? 'stroke-act' : 'stroke-stone'}`}
      />
      {goes && <path d={`M${x(deg) - 7} ${y - 7}l14 14m0 -14l-14 14`} strokeWidth={3} className="stroke-off" />}
      {massG !== undefined && (
        <text
          x={x(deg)}
          y={y - 17}
          textAnchor="middle"
          className={`text-[17px] font-bold ${comes ? (comes.state === 'done' ? 'fill-holds' : 'fill-act') : 'fill-soft'}`}
        >
          {massText(massG)}
        </text>
      )}
    </g>
  )
}

/** A ring's heavy place, or a place to drill. */
function Mark({
  deg,
  y,
  text,
  state,
}: {
  readonly deg: number
  readonly y: number
  readonly text: string
  readonly state: DrawnStep['state']
}) {
  return (
    <g>
      <path d={`M${x(deg)} ${y + 18}l-10 -16h20z`} className={FILL[state]} />
      <text x={x(deg)} y={y - 4} textAnchor="middle" className={`text-[17px] font-bold ${FILL[state]}`}>
        {text}
      </text>
    </g>
  )
}
