import { useState } from 'react'
import type { FitStep } from '@/core/balance'
import type { BalanceView } from '@/stations/balance/contract'
import { fitStepText, gradeNumber } from '@/words/balance'
import { say } from '@/words/screens/balance'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import type { Run } from '../common/use-act'
import { formatWhen } from '../format/due'
import { GoTo } from '../kit/kit-next'
import { useUnit } from '../shell/shell-context'
import type { BalanceActs } from './acts'
import type { BalanceBig } from './machine'
import { TypedResult, WantedForm } from './typed'

interface NextProps {
  readonly view: BalanceView
  readonly big: BalanceBig
  readonly busy: boolean
  readonly run: Run
  readonly now: () => Promise<void>
  readonly act: BalanceActs
  readonly setAgain: (again: boolean) => void
}

const DONE: Readonly<Record<FitStep['type'], string>> = {
  'screw in': say.screwIsIn,
  'screw out': say.screwIsOut,
  ring: say.ringIsSet,
  drill: say.holeIsDrilled,
  add: say.massIsOn,
}

/** What to do next, and what else is possible. */
export function Next({ view, big, busy, run, now, act, setAgain }: NextProps) {
  const [open, setOpen] = useState<'typed' | 'wanted' | 'fits' | null>(null)
  const { serial, version, wanted, standing } = view
  const shut = () => setOpen(null)
  if (open === 'typed') return <TypedResult serial={serial} wanted={wanted} save={act.type} shut={shut} />
  if (open === 'wanted' || big.type === 'ask')
    return (
      <WantedForm serial={serial} version={version} wanted={wanted} save={act.wanted} shut={big.type === 'ask' ? null : shut} />
    )
  if (open === 'fits') return <OtherFits view={view} busy={busy} run={run} act={act} shut={shut} />
  const others = big.type === 'step' && view.done === 0 ? view.fits.length - 1 : 0
  return (
    <>
      <Sentence view={view} big={big} />
      {big.type === 'elsewhere' && <BigAction onAct={() => setOpen('typed')}>{say.typeAResult}</BigAction>}
      {big.type === 'start' && (
        <BigAction disabled={busy} onAct={() => void run(() => act.start({ serial, seat: big.seat, version })).then(now)}>
          {say.startAt(big.seat)}
        </BigAction>
      )}
      {big.type === 'take' && (
        <BigAction disabled={busy} onAct={() => void run(() => act.take({ serial, version })).then(now)}>
          {say.takeTheRun}
        </BigAction>
      )}
      {big.type === 'step' && (
        <BigAction disabled={busy} onAct={() => void run(() => act.confirm({ serial, step: big.index, version }))}>
          {DONE[big.step.type]}
        </BigAction>
      )}
      {big.type === 'save' && standing && (
        <BigAction
          disabled={busy}
          onAct={() =>
            void run(
              () => act.save({ serial, version }),
              () => setAgain(false),
            )
          }
        >
          {big.good ? say.saveResult(standing.grade) : say.saveAsItIs(standing.grade)}
        </BigAction>
      )}
      {big.type === 'saved' && (
        <GoTo href={`/${view.then}/${serial}`}>{view.then === 'measure' ? say.measureIt : say.handItOver}</GoTo>
      )}
      {big.type !== 'running' && big.type !== 'take' && (
        <SmallActions>
          {others > 0 && <SmallAction onAct={() => setOpen('fits')}>{say.otherCorrections(others)}</SmallAction>}
          {big.type === 'saved' && <SmallAction onAct={() => setAgain(true)}>{say.runItAgain}</SmallAction>}
          {big.type === 'save' && !big.good && view.correctable && (
            <SmallAction disabled={busy} onAct={() => void run(() => act.compute({ serial, version }))}>
              {say.computeAgain}
            </SmallAction>
          )}
          {(view.standing || view.done > 0) && (
            <SmallAction disabled={busy} onAct={() => void run(() => act.drop({ serial }))}>
              {say.startOver}
            </SmallAction>
          )}
          {(big.type === 'start' || big.type === 'elsewhere') && (
            <SmallAction onAct={() => setOpen('wanted')}>{say.gradeAndSpeed}</SmallAction>
          )}
          {(big.type === 'start' || big.type === 'nothing') && (
            <SmallAction onAct={() => setOpen('typed')}>{say.typeAResult}</SmallAction>
          )}
        </SmallActions>
      )}
    </>
  )
}

/** The advice above the big action. */
function Sentence({ view, big }: Pick<NextProps, 'view' | 'big'>) {
  const { standing, result, refusal, fits, chosen, emptyDrawer } = view
  const unit = useUnit()
  switch (big.type) {
    case 'nothing':
      return (
        <>
          <Say tone="off" lead={say.notNow} role="status">
            {refusal?.text}
          </Say>
          {refusal?.code === 'NOT_CALIBRATED' && <GoTo href="/balance/calibration">{say.calibrateIt}</GoTo>}
        </>
      )
    case 'elsewhere':
      return (
        <Say tone="todo" lead={say.noSpindle}>
          {say.balanceItElsewhere}
        </Say>
      )
    case 'start':
      return (
        <Say tone="todo" lead={say.putItInAt(big.seat)}>
          {big.seat === 0 ? say.firstRun : say.secondRun}
        </Say>
      )
    case 'running':
      return (
        <Say tone="off" lead={`${say.running(big.seat)}: ${say.percent(big.share)}`} role="status">
          {say.keepAway}
        </Say>
      )
    case 'step':
      return (
        <Say tone="todo" lead={`${fitStepText(big.step, unit)}.`}>
          {standing && big.index === 0 ? `${say.asItIsGoodTo(standing.goodToRpm)} ` : ''}
          {big.index + 1 === big.of && say.andThenMeasureAgain}
        </Say>
      )
    case 'save':
      return big.good ? (
        <Say tone="holds" lead={say.good}>
          {standing && say.goodUpTo(standing.goodToRpm)}
        </Say>
      ) : (
        <Say tone="unsure" lead={emptyDrawer ? say.emptyDrawer(emptyDrawer) : say.outOfReach}>
          {emptyDrawer ? say.countIt : ''} {fits[chosen] ? say.bestIs(fits[chosen].after.grade) : ''}{' '}
          {standing && say.goodUpTo(standing.goodToRpm)}
        </Say>
      )
    case 'saved':
      return result ? (
        <Say
          tone={result.grade <= result.wanted.grade ? 'holds' : 'unsure'}
          lead={`${say.balanced}: ${say.gradeAt(result.grade, result.rpm)}.`}
        >
          {say.goodUpTo(result.goodToRpm)}{' '}
          {result.elsewhere === null ? say.balancedBy(result.who, formatWhen(result.at)) : say.elsewhere(result.elsewhere)}
        </Say>
      ) : null
    default:
      return null
  }
}

function OtherFits({
  view,
  busy,
  run,
  act,
  shut,
}: {
  readonly view: BalanceView
  readonly busy: boolean
  readonly run: Run
  readonly act: Pick<BalanceActs, 'choose' | 'compute'>
  readonly shut: () => void
}) {
  return (
    <>
      <ul className="border-rule border-t">
        {view.fits.map((fit, i) => (
          <li key={i} className="border-rule flex min-h-14 items-center justify-between gap-3 border-b py-1">
            <span>
              <b className="font-head text-[19px]">{say.kinds[fit.kind]}</b>{' '}
              <small className="text-soft text-base">
                {say.steps(fit.steps.length)}, G {gradeNumber(fit.after.grade)}
              </small>
            </span>
            <button
              type="button"
              className="btn btn-outline px-3"
              disabled={busy || i === view.chosen}
              onClick={() => void run(() => act.choose({ serial: view.serial, fit: i, version: view.version }), shut)}
            >
              {say.useThisOne}
            </button>
          </li>
        ))}
      </ul>
      <SmallActions>
        <SmallAction
          disabled={busy}
          onAct={() => void run(() => act.compute({ serial: view.serial, version: view.version }), shut)}
        >
          {say.computeAgain}
        </SmallAction>
        <SmallAction onAct={shut}>{say.cancel}</SmallAction>
      </SmallActions>
    </>
  )
}
