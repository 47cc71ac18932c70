import { useState } from 'react'
import type { DialSetting } from '@/core/boring'
import type { BoreView } from '@/stations/bore/contract'
import { say } from '@/words/screens/bore'
import { sized, small } from '@/words/size'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { LengthField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import { useUnit } from '../shell/shell-context'
import type { BoreActs } from './acts'

interface NextProps {
  readonly view: BoreView
  readonly act: BoreActs
}

/** What is to be done next, and the one button for it. */
export function BoreNext({ view, act }: NextProps) {
  const [again, setAgain] = useState(false)
  const { next, refusal, fault } = view
  if (refusal)
    return (
      <div className="mt-auto">
        <Say tone="off" lead={say.noDial} role="alert">
          {refusal.text}
        </Say>
      </div>
    )
  if (next.type === 'first' || again)
    return (
      <FirstDial view={view} act={act} fault={again ? null : (fault?.text ?? null)} shut={again ? () => setAgain(false) : null} />
    )
  if (next.type === 'cut') return <TestCut view={view} act={act} />
  return <AfterBore view={view} act={act} again={() => setAgain(true)} />
}

/** Where the dial is to stand, from an arm's length. */
function Dial({ set }: { readonly set: Omit<DialSetting, 'noseMm'> }) {
  const unit = useUnit()
  return (
    <div className="border-rule my-2 border-y py-2" data-testid="dial">
      <span className="font-semibold">{say.setDialTo}</span>
      <p className="figures text-[58px] leading-none font-bold">
        {say.divisions(set.divisions)} <small className="text-soft text-[20px] font-medium">{say.divisionsUnit}</small>
      </p>
      <span className="text-soft">
        {say.onDiameter(sized(set.dialMm, unit))}. {say.shouldCut(sized(set.boreMm, unit))}
      </span>
    </div>
  )
}

function FirstDial({
  view,
  act,
  fault,
  shut,
}: NextProps & { readonly fault: string | null; readonly shut: (() => void) | null }) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const { head, start, serial, version } = view
  const wanted = useLength(start.wantedMm, unit)
  const nose = useLength(start.noseMm, unit)
  const leave = useLength(start.leaveMm, unit)
  const asked =
    wanted.mm !== null && nose.mm !== null && leave.mm !== null
      ? { wantedMm: wanted.mm, noseMm: nose.mm, leaveMm: leave.mm }
      : null
  return (
    <>
      <div className="flex flex-col gap-2">
        <LengthField label={say.wantedBore} error={wanted.error} {...wanted.field} />
        <LengthField label={say.noseOfInsert} error={nose.error} {...nose.field} />
        <LengthField label={say.leftForTestCut} error={leave.error} {...leave.field} />
      </div>
      <div className="mt-auto pt-2">
        <Problem lead={say.noDial} text={problem ?? fault} />
        {head && !head.countsNose && <p className="text-soft mb-2">{say.noseNotCounted}</p>}
        <BigAction disabled={busy || !asked} onAct={() => asked && void run(() => act.set({ serial, version, ...asked }))}>
          {say.computeDial}
        </BigAction>
        {shut && (
          <SmallActions>
            <SmallAction onAct={shut}>{say.cancel}</SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}

/** The dial stands; the bore that it cut is measured. */
function TestCut({ view, act }: NextProps) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const { serial, version, lines } = view
  const bore = useLength(null, unit)
  const last = lines[lines.length - 1]
  const { mm } = bore
  return (
    <>
      <Dial set={{ ...last, boreMm: last.expectedMm }} />
      <LengthField label={say.measuredBore} error={bore.error} {...bore.field} />
      <div className="mt-auto pt-2">
        <Problem lead={say.notSaved} text={problem} />
        <Say tone="todo" lead={say.lockAndCut}>
          {say.thenCut}
        </Say>
        <BigAction
          disabled={busy || mm === null}
          onAct={() => mm !== null && void run(() => act.bore({ serial, version, boreMm: mm }))}
        >
          {say.saveBore}
        </BigAction>
        {act.cut && <CutByStandIn cut={act.cut} serial={serial} take={bore.set} />}
      </div>
    </>
  )
}

/** What a stand-in head cuts with the dial as it was set, as somebody measures it. */
function CutByStandIn({
  cut,
  serial,
  take,
}: {
  readonly cut: NonNullable<BoreActs['cut']>
  readonly serial: string
  readonly take: (mm: number) => void
}) {
  const { busy, problem, run } = useAct()
  return (
    <>
      <Problem lead={say.notCut} text={problem} />
      <SmallActions>
        <SmallAction
          disabled={busy}
          onAct={() =>
            void run(
              () => cut({ serial }),
              (done) => take(done.boreMm),
            )
          }
        >
          {say.cutByStandIn}
        </SmallAction>
      </SmallActions>
    </>
  )
}

/** After a bore was measured: outwards, back and out again, or nothing more. */
function AfterBore({ view, act, again }: NextProps & { readonly again: () => void }) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const { serial, version, next } = view
  if (next.type !== 'larger' && next.type !== 'too large')
    return (
      <div className="mt-auto">
        <Say tone="holds" lead={say.inTolerance}>
          {say.keepLocked}
        </Say>
        <SmallActions>
          <SmallAction onAct={again}>{say.newSeries}</SmallAction>
        </SmallActions>
      </div>
    )
  return (
    <>
      <Dial set={next} />
      <div className="mt-auto pt-2">
        <Problem lead={say.notSaved} text={problem} />
        {next.type === 'larger' ? (
          <Say tone="todo" lead={say.larger(say.divisions(next.byDivisions))}>
            {say.largerHow}
          </Say>
        ) : (
          <Say tone="off" lead={say.tooLarge(small(-next.byMm, unit))}>
            {say.tooLargeHow(small(next.backMm, unit))}
          </Say>
        )}
        <BigAction disabled={busy} onAct={() => void run(() => act.move({ serial, version }))}>
          {say.confirmDial(say.divisions(next.divisions))}
        </BigAction>
        <SmallActions>
          <SmallAction onAct={again}>{say.newSeries}</SmallAction>
        </SmallActions>
      </div>
    </>
  )
}
