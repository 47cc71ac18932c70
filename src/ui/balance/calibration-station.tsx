'use client'
import { useEffect, useRef } from 'react'
import { unbalanceOf } from '@/core/balance'
import type * as balance from '@/stations/balance/contract'
import { beginCalibration, type CalibrationView } from '@/stations/balance/contract'
import type { Ask } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { unbalanceText } from '@/words/balance'
import { say } from '@/words/screens/balance'
import { say as standInSay } from '@/words/screens/stand-in'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField, TextField } from '../common/form'
import { Cautions, Problem, Say, Sheet, Title } from '../common/sheet'
import { SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useContractForm } from '../common/use-contract-form'
import { usePolled } from '../common/use-polled'
import { formatWhen } from '../format/due'
import { BALANCE_TABS } from './tabs'

export interface CalibrationActs {
  readonly spindle: Ask<typeof balance.spindleState>
  readonly begin: Ask<typeof beginCalibration>
  readonly start: Ask<typeof balance.startCalibrationSpin>
  readonly take: Ask<typeof balance.takeCalibrationSpin>
  readonly drop: Ask<typeof balance.dropCalibration>
  readonly hand: Ask<typeof standIn.spindleHand>
}

/** The balancing spindle calibrated with a known rotor: three loads, each at two seats. */
export function CalibrationStation({ view, act }: { readonly view: CalibrationView; readonly act: CalibrationActs }) {
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={BALANCE_TABS} label={say.sheetsOfBalance} />
          <Title lead={say.calibrationOfTheSpindle}>{say.withARotor}</Title>
          <p className="text-soft">{say.validFor(view.validDays)}</p>
          {view.last.length === 0 ? <p className="text-lg">{say.none}</p> : <Past view={view} />}
        </>
      }
      right={
        <>
          {view.work ? <Runs view={view} work={view.work} act={act} /> : <Begin view={view} begin={act.begin} />}
          <Cautions lines={say.cautions} />
        </>
      }
    />
  )
}

function Past({ view }: { readonly view: CalibrationView }) {
  const { columns } = say
  return (
    <table className="table max-w-[860px]">
      <thead>
        <tr>
          {Object.values(columns).map((name) => (
            <th key={name}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {view.last.map((c) => (
          <tr key={c.id}>
            <td>{formatWhen(c.at)}</td>
            <td>{c.coupling}</td>
            <td>{c.rotor}</td>
            <td className="figures">{c.residual.map((u) => unbalanceText(unbalanceOf(u).gmm)).join(' · ')}</td>
            <td className="figures">{c.condition.toFixed(1)}</td>
            <td>{c.who}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Begin({ view, begin }: { readonly view: CalibrationView; readonly begin: CalibrationActs['begin'] }) {
  const last = view.last[0]
  const form = useContractForm(beginCalibration, begin, {
    rotor: last?.rotor ?? '',
    backMm: last?.influence.zMm[0] ?? 25,
    frontMm: last?.influence.zMm[1] ?? 95,
    trialGmm: 150,
    version: view.version,
  })
  const number = { valueAsNumber: true } as const
  return (
    <div className="mt-auto flex flex-col gap-2">
      <Say tone="todo" lead={say.threeLoads} />
      <TextField label={say.rotor} error={form.wrong('rotor')} {...form.register('rotor')} />
      <NumberField label={say.backPlane} unit="mm" error={form.wrong('backMm')} {...form.register('backMm', number)} />
      <NumberField label={say.frontPlane} unit="mm" error={form.wrong('frontMm')} {...form.register('frontMm', number)} />
      <NumberField label={say.trialMass} unit="g·mm" error={form.wrong('trialGmm')} {...form.register('trialGmm', number)} />
      <Problem lead={say.notStarted} text={form.problem} />
      <BigAction disabled={form.busy} onAct={form.send}>
        {say.begin}
      </BigAction>
    </div>
  )
}

function Runs({
  view,
  work,
  act,
}: {
  readonly view: CalibrationView
  readonly work: NonNullable<CalibrationView['work']>
  readonly act: CalibrationActs
}) {
  const { value: spindle, problem: silent, now } = usePolled(act.spindle, say.noAnswerFromTheSpindle)
  const { busy, problem, run } = useAct()
  const { version } = view
  const { load, seat } = work.next
  // what the spindle told a moment ago may speak of the run before
  const mine = spindle?.with?.assemblyId === 0 && spindle.with.round === work.index
  const running = mine && spindle.phase !== 'standing'
  const over = mine && spindle.phase === 'standing' && spindle.done === 1
  const taken = useRef(-1)
  useEffect(() => {
    if (!over || busy || taken.current === version) return
    taken.current = version
    void run(() => act.take({ version })).then(now)
  }, [over, busy, version, run, act, now])
  const mass =
    load === 'alone' ? null : { zMm: work.zMm[load === 'back' ? 0 : 1], gmm: work.trialGmm, deg: load === 'back' ? 0 : 90 }
  return (
    <div className="mt-auto flex flex-col gap-2">
      <h2 className="text-2xl font-bold">{say.runOf(work.index + 1, work.of)}</h2>
      {running ? (
        <Say tone="off" lead={`${say.running(seat)}: ${say.percent(spindle.done)}`} role="status">
          {say.keepAway}
        </Say>
      ) : (
        <Say tone="todo" lead={say.loads[load]}>
          {say.putItInAt(seat)}
        </Say>
      )}
      {spindle?.simulated && !running && !over && (
        <SmallActions>
          <SmallAction disabled={busy} onAct={() => void run(() => act.hand({ act: 'rotor', seat, mass })).then(now)}>
            {standInSay.spindleStandIn(standInSay.clampAt(seat))}
          </SmallAction>
          {spindle.guard === 'open' && (
            <SmallAction disabled={busy} onAct={() => void run(() => act.hand({ act: 'guard', is: 'shut' })).then(now)}>
              {standInSay.shutTheGuard}
            </SmallAction>
          )}
        </SmallActions>
      )}
      <Problem lead={say.notDone} text={problem ?? silent} />
      {!running && (
        <BigAction
          disabled={busy}
          onAct={() =>
            void run(() => (over ? act.take({ version }) : act.start({ version })) as ReturnType<typeof act.start>).then(now)
          }
        >
          {over ? say.takeTheRun : say.startAt(seat)}
        </BigAction>
      )}
      <SmallActions>
        <SmallAction disabled={busy || running} onAct={() => void run(() => act.drop({}))}>
          {say.startOver}
        </SmallAction>
      </SmallActions>
    </div>
  )
}
