import { useState } from 'react'
import { nextMove, readSweep, slideAt, type Sweep } from '@/core/centring'
import { say } from '@/words/screens/at-machine'
import { sized, small } from '@/words/size'
import { SmallAction, SmallActions } from '../common/actions'
import { CheckField, LengthField, SelectField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import type { AtMachineProps } from './at-machine-props'
import { useUnit } from '../shell/shell-context'

const SIDES = ['top', 'right', 'bottom', 'left'] as const
/** Readings that contradict each other by more than this are read again, mm (common practice, no source). */
const CONTRADICT_MM = 0.01

/** Four readings of an indicator that is turned round a bore, and which way the holder is to go. Nothing of it is kept. */
export function Centring({ machine, sweep: standIn }: Pick<AtMachineProps, 'machine' | 'sweep'>) {
  const unit = useUnit()
  const reads = {
    top: useLength(null, unit),
    right: useLength(null, unit),
    bottom: useLength(null, unit),
    left: useLength(null, unit),
  }
  const sag = useLength(0, unit)
  const [open, setOpen] = useState(true)
  const all = SIDES.map((side) => reads[side].mm)
  const [top, right, bottom, left] = all
  const sweep =
    top !== null && right !== null && bottom !== null && left !== null
      ? readSweep({ top, right, bottom, left }, sag.mm ?? 0)
      : null
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
        <div className="flex min-w-[280px] flex-1 flex-col gap-2">
          <Move sweep={sweep} />
          <LengthField label={say.armHangs} error={sag.error} {...sag.field} />
          {machine.kind === 'lathe' && sweep && <Slide sweep={sweep} diameter={machine.sizeRegister === 'diameter'} />}
          {standIn && (
            <StandInDial
              machine={machine.key}
              sweep={standIn}
              move={sweep && nextMove(sweep)}
              take={(read) => SIDES.forEach((side) => reads[side].set(read[side]))}
            />
          )}
        </div>
      </div>
    </details>
  )
}

/** Where the cross slide is to stand for the bore to be on the axis. */
function Slide({ sweep, diameter }: { readonly sweep: Sweep; readonly diameter: boolean }) {
  const unit = useUnit()
  const at = useLength(null, unit)
  const [towards, setTowards] = useState<'right' | 'left'>('right')
  const [doubled, setDoubled] = useState(diameter)
  return (
    <div className="grid grid-cols-2 items-end gap-x-3">
      <LengthField label={say.slideStandsAt} error={at.error} {...at.field} />
      <SelectField label={say.xGrows} value={towards} onChange={(event) => setTowards(event.target.value as 'right' | 'left')}>
        <option value="right">{say.right}</option>
        <option value="left">{say.left}</option>
      </SelectField>
      <CheckField label={say.xIsDiameter} checked={doubled} onChange={(event) => setDoubled(event.target.checked)} />
      {at.mm !== null && (
        <p className="text-lg font-semibold" role="status">
          {say.slideTo(sized(slideAt(at.mm, sweep, { diameter: doubled, towards: towards === 'right' ? 1 : -1 }), unit))}
        </p>
      )}
    </div>
  )
}

/** Hands at a stand-in dial: moves as the sheet says, and sweeps again. */
function StandInDial({
  machine,
  sweep,
  move,
  take,
}: {
  readonly machine: string
  readonly sweep: NonNullable<AtMachineProps['sweep']>
  readonly move: ReturnType<typeof nextMove>
  readonly take: (read: Readonly<Record<(typeof SIDES)[number], number>>) => void
}) {
  const { busy, problem, run } = useAct()
  return (
    <>
      <Problem lead={say.notSwept} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={() => void run(() => sweep({ machine, move }), take)}>
          {move ? say.standInMoveAndSweep : say.standInSweep}
        </SmallAction>
      </SmallActions>
    </>
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
