import type { FitStep, HolderHas, PlaneName } from '@/core/balance'
import type { Arc } from '@/core/tool'
import type { BalanceView, DrawnPlane } from '@/stations/balance/contract'
import { massText } from '@/words/balance'
import { sized } from '@/words/size'
import { useUnit } from '../shell/shell-context'

/** One turn along the width; px. */
export const LEFT = 30
export const WIDTH = 600
export const x = (deg: number) => LEFT + (((deg % 360) + 360) % 360) * (WIDTH / 360)

export interface DrawnStep {
  readonly step: FitStep
  readonly state: 'done' | 'next' | 'later'
}

/** Where the spindle is. */
export const Pointer = ({ angleDeg, top, tall }: { readonly angleDeg: number; readonly top: number; readonly tall: number }) => (
  <path d={`M${x(angleDeg)} ${top - 4}V${top + tall + 6}`} strokeWidth={2} strokeDasharray="2 4" className="stroke-ink" />
)

export const Angles = ({ top }: { readonly top: number }) => (
  <>
    {Array.from({ length: 13 }, (_, i) => i * 30).map((deg) => (
      <g key={deg}>
        <path d={`M${LEFT + deg * (WIDTH / 360)} ${top}v${deg % 90 ? 5 : 9}`} className="stroke-ink" />
        {deg % 60 === 0 && (
          <text x={LEFT + deg * (WIDTH / 360)} y={top + 24} textAnchor="middle" className="fill-soft text-[16px]">
            {deg}°
          </text>
        )}
      </g>
    ))}
  </>
)

const FILL = { done: 'fill-holds', next: 'fill-act', later: 'fill-act' } as const

/** A hole for a screw, with what is in it or comes. */
export function Hole({
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
          strokeWidth={5}
          paintOrder="stroke"
          className={`stroke-ground text-[17px] font-bold ${comes ? (comes.state === 'done' ? 'fill-holds' : 'fill-act') : 'fill-soft'}`}
        >
          {massText(massG)}
        </text>
      )}
    </g>
  )
}

/** What comes to a ring, or to a place where metal is taken or put; screws are drawn in their holes. */
export function Step({ drawn: { step, state }, y }: { readonly drawn: DrawnStep; readonly y: number }) {
  const unit = useUnit()
  const mark = (text: string) => <Mark deg={step.deg} y={y} text={text} look={FILL[state]} />
  switch (step.type) {
    case 'ring':
      return mark(String(step.ring + 1))
    case 'drill':
      return mark(sized(step.depthMm, unit, unit === 'mm' ? 1 : 3))
    case 'add':
      return mark(massText(step.massG))
    default:
      return null
  }
}

interface CorrectedProps {
  readonly plane: DrawnPlane
  readonly has: HolderHas
  readonly steps: readonly DrawnStep[]
  readonly y: number
}

/** Rings where they are, holes that were drilled, places for mass and what was put there. */
export function Corrected({ plane, has, steps, y }: CorrectedProps) {
  const here = <T extends { readonly plane: PlaneName }>(all: readonly T[]) => all.filter((one) => one.plane === plane.name)
  const turned = (ring: 0 | 1) => steps.some(({ step, state }) => step.type === 'ring' && step.ring === ring && state === 'done')
  return (
    <>
      {here(has.rings)
        .filter(({ ring }) => !turned(ring))
        .map(({ ring, deg }) => (
          <Mark key={`ring ${ring}`} deg={deg} y={y} text={String(ring + 1)} look="fill-stone" />
        ))}
      {here(has.holes).map(({ deg }, i) => (
        <circle key={`hole ${i}`} cx={x(deg)} cy={y} r={7} className="fill-stone" />
      ))}
      {plane.places.map((deg) => (
        <rect
          key={`place ${deg}`}
          x={x(deg) - 9}
          y={y - 1}
          width={18}
          height={18}
          strokeWidth={2}
          className={`stroke-stone ${here(has.added).some((one) => one.deg === deg) ? 'fill-stone' : 'fill-paper'}`}
        />
      ))}
    </>
  )
}

/** Where nothing may be drilled. */
export const Never = ({ arcs, top, tall }: { readonly arcs: readonly Arc[]; readonly top: number; readonly tall: number }) => (
  <>
    {arcs
      .flatMap(({ from, to }) =>
        to >= from
          ? [{ from, to }]
          : [
              { from, to: 360 },
              { from: 0, to },
            ],
      )
      .map(({ from, to }) => (
        <rect
          key={from}
          x={LEFT + from * (WIDTH / 360)}
          y={top}
          width={(to - from) * (WIDTH / 360)}
          height={tall}
          className="fill-rule"
        />
      ))}
  </>
)

/** A heavy place of a ring, or a place to drill or add to. */
function Mark({
  deg,
  y,
  text,
  look,
}: {
  readonly deg: number
  readonly y: number
  readonly text: string
  readonly look: string
}) {
  return (
    <g>
      <path d={`M${x(deg)} ${y + 18}l-10 -16h20z`} className={look} />
      <text
        x={x(deg)}
        y={y - 4}
        textAnchor="middle"
        strokeWidth={5}
        paintOrder="stroke"
        className={`stroke-ground text-[17px] font-bold ${look}`}
      >
        {text}
      </text>
    </g>
  )
}
