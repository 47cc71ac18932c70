import { useState } from 'react'
import { nextMove, readSweep, type Sweep } from '@/core/centring'
import { say } from '@/words/screens/at-machine'
import { small } from '@/words/size'
import { LengthField } from '../common/form'
import { Say } from '../common/sheet'
import { useLength } from '../common/use-length'
import { useUnit } from '../shell/shell-context'

const SIDES = ['top', 'right', 'bottom', 'left'] as const
/** Readings that contradict each other by more than this are read again, mm (common practice, no source). */
const CONTRADICT_MM = 0.01

/** Four readings of an indicator that is turned round a bore, and which way the holder is to go. Nothing of it is kept. */
export function Centring() {
  const unit = useUnit()
  const reads = {
    top: useLength(null, unit),
    right: useLength(null, unit),
    bottom: useLength(null, unit),
    left: useLength(null, unit),
  }
  const [open, setOpen] = useState(true)
  const all = SIDES.map((side) => reads[side].mm)
  const [top, right, bottom, left] = all
  const sweep =
    top !== null && right !== null && bottom !== null && left !== null ? readSweep({ top, right, bottom, left }) : null
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="fold text-ink">{say.centring}</summary>
      <p className="text-soft max-w-[70ch]">{say.centringHow}</p>
      <div className="flex flex-wrap items-center gap-6 py-2">
        <div className="grid w-[360px] grid-cols-3 gap-2">
          {SIDES.map((side) => (
            <div key={side} className={PLACE[side]}>
              <LengthField label={say[side]} error={reads[side].error} {...reads[side].field} />
            </div>
          ))}
          <div className="col-start-2 row-start-2">
            <Bore sweep={sweep} />
          </div>
        </div>
        <div className="min-w-[280px] flex-1">
          <Move sweep={sweep} />
        </div>
      </div>
    </details>
  )
}

const PLACE = {
  top: 'col-start-2 row-start-1',
  right: 'col-start-3 row-start-2',
  bottom: 'col-start-2 row-start-3',
  left: 'col-start-1 row-start-2',
} as const

/** Where the bore is about the axis: far off at the rim of the drawing. */
function Bore({ sweep }: { readonly sweep: Sweep | null }) {
  const far = sweep ? Math.max(0.02, Math.hypot(sweep.rightMm, sweep.upMm)) : 1
  const [x, y] = sweep ? [(22 * sweep.rightMm) / far, (-22 * sweep.upMm) / far] : [0, 0]
  return (
    <svg viewBox="-52 -52 104 104" className="size-full" role="img" aria-label={say.off}>
      <path d="M-48 0h12M36 0h12M0 -48v12M0 36v12" stroke="var(--color-rule)" strokeWidth="2" />
      <rect x="-3" y="-3" width="6" height="6" fill="var(--color-ink)" />
      {sweep && (
        <circle
          cx={x}
          cy={y}
          r="26"
          fill="none"
          stroke={sweep.centred ? 'var(--color-holds)' : 'var(--color-off)'}
          strokeWidth="3"
        />
      )}
    </svg>
  )
}

function Move({ sweep }: { readonly sweep: Sweep | null }) {
  const unit = useUnit()
  if (!sweep) return <p className="text-soft">{say.needsFour}</p>
  if (sweep.contradictMm > CONTRADICT_MM)
    return <Say tone="off" lead={say.contradict(small(sweep.contradictMm, unit))} role="status" />
  const move = nextMove(sweep)
  if (!move)
    return (
      <Say tone="holds" lead={say.centred} role="status">
        {say.takeItOut}
      </Say>
    )
  const by = small(move.byMm, unit)
  return (
    <Say
      tone="todo"
      lead={
        move.axis === 'across' ? say.across(by, move.byMm < 0 ? 'left' : 'right') : say.height(by, move.byMm < 0 ? 'down' : 'up')
      }
      role="status"
    >
      {move.axis === 'height' ? `${say.liftsABit} ` : ''}
      {say.thenAgain}
    </Say>
  )
}
