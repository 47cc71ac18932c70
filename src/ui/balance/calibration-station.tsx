'use client'
import { useEffect, useRef, useState, type ChangeEvent } from 'react'
import { unbalanceOf } from '@/core/balance'
import { formatLength, parseLength } from '@/core/units'
import type * as balance from '@/stations/balance/contract'
import type { CalibrationView } from '@/stations/balance/contract'
import type { Ask } from '@/stations/contract'
import type * as standIn from '@/stations/stand-in/contract'
import { unbalanceText } from '@/words/balance'
import { lengthErrorText } from '@/words/length'
import { say } from '@/words/screens/balance'
import { say as standInSay } from '@/words/screens/stand-in'
import { Hands } from '../stand-in/spindle-hands'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { AS_NUMBER, LengthField, NumberField, TextField } from '../common/form'
import { Cautions, Problem, Say, Sheet, Title } from '../common/sheet'
import { SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { usePolled } from '../common/use-polled'
import { useShell } from '../shell/shell-context'
import { formatWhen } from '../format/due'
import { useUnit } from '../shell/shell-context'
import { BALANCE_TABS } from './tabs'

/** Planes and mass of a usual rotor, where none was calibrated with yet (common practice, no source). */
const USUAL_MM = [25, 95]
const USUAL_GMM = 150

export interface CalibrationActs {
  readonly spindle: Ask<typeof balance.spindleState>
  readonly begin: Ask<typeof balance.beginCalibration>
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

/** The rotor, its planes and its mass, as its certificate says; what was typed last time is offered again. */
function Begin({ view, begin }: { readonly view: CalibrationView; readonly begin: CalibrationActs['begin'] }) {
  const unit = useUnit()
  const { busy, problem, setProblem, run } = useAct()
  const last = view.last[0]
  const [rotor, setRotor] = useState(last?.rotor ?? '')
  const [heights, setHeights] = useState((last?.influence.zMm ?? USUAL_MM).map((mm) => formatLength(mm, unit)))
  const [mass, setMass] = useState(String(last?.trialGmm ?? USUAL_GMM))
  const send = () => {
    const read = heights.map((text) => parseLength(text, unit))
    const [back, front] = read
    if (!back.ok || !front.ok) return setProblem(read.flatMap((r) => (r.ok ? [] : lengthErrorText(r.error)))[0])
    const trialGmm = AS_NUMBER.setValueAs(mass)
    void run(() => begin({ rotor, backMm: back.value, frontMm: front.value, trialGmm, version: view.version }))
  }
  const height = (at: 0 | 1) => (event: ChangeEvent<HTMLInputElement>) =>
    setHeights(heights.map((text, i) => (i === at ? event.target.value : text)))
  return (
    <div className="mt-auto flex flex-col gap-2">
      <Say tone="todo" lead={say.threeLoads} />
      <TextField label={say.rotor} value={rotor} onChange={(e) => setRotor(e.target.value)} />
      <LengthField label={say.backPlane} value={heights[0]} onChange={height(0)} />
      <LengthField label={say.frontPlane} value={heights[1]} onChange={height(1)} />
      <NumberField label={say.trialMass} unit="g·mm" value={mass} onChange={(e) => setMass(e.target.value)} />
      <Problem lead={say.notStarted} text={problem} />
      <BigAction disabled={busy} onAct={send}>
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
  const { person } = useShell()
  const { value: spindle, problem: silent, now } = usePolled(act.spindle, say.noAnswerFromTheSpindle, person !== null)
  const { busy, problem, run } = useAct()
  const { version } = view
  const { load, seat } = work.next
  // what the spindle told a moment ago may speak of the run before
  const mine = spindle?.with?.assemblyId === null && spindle.with.round === work.index
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
        <Hands>
          <SmallAction disabled={busy} onAct={() => void run(() => act.hand({ act: 'rotor', seat, mass })).then(now)}>
            {standInSay.clampAt(seat)}
          </SmallAction>
          {spindle.guard === 'open' && (
            <SmallAction disabled={busy} onAct={() => void run(() => act.hand({ act: 'guard', is: 'shut' })).then(now)}>
              {standInSay.shutTheGuard}
            </SmallAction>
          )}
        </Hands>
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
