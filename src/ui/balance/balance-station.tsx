'use client'
import { useEffect, useRef, useState } from 'react'
import type { BalanceView } from '@/stations/balance/contract'
import { say } from '@/words/screens/balance'
import { Cautions, Problem, Sheet, Title } from '../common/sheet'
import { useAct } from '../common/use-act'
import { usePolled } from '../common/use-polled'
import { useShell } from '../shell/shell-context'
import { SpindleHands } from '../stand-in/spindle-hands'
import type { BalanceActs } from './acts'
import { Facts, Figures, Steps } from './balance-facts'
import { Next } from './balance-next'
import { balanceBig } from './machine'
import { Unrolled } from './unrolled'

/** One tool on the balancing spindle: run twice, corrected step by step, run again. */
export function BalanceStation({
  view,
  hasSpindle,
  act,
}: {
  readonly view: BalanceView
  readonly hasSpindle: boolean
  readonly act: BalanceActs
}) {
  const { person } = useShell()
  const {
    value: spindle,
    problem: silent,
    now,
  } = usePolled(act.spindle, say.noAnswerFromTheSpindle, person !== null && hasSpindle)
  const { busy, problem, run } = useAct()
  const [again, setAgain] = useState(false)
  const big = balanceBig(view, spindle, again, hasSpindle)
  const fit = view.fits[view.chosen] ?? null
  const showsFit = big.type === 'step' ? fit : null
  const { serial, version } = view
  // a run that is over is taken by whoever looks at it first; a second look finds it gone
  const taken = useRef(-1)
  const over = big.type === 'take'
  useEffect(() => {
    if (!over || busy || taken.current === version) return
    taken.current = version
    void run(() => act.take({ serial, version })).then(now)
  }, [over, busy, version, serial, run, act, now])
  const still = spindle?.phase === 'standing' ? spindle.angleDeg : null
  return (
    <Sheet
      left={
        <>
          <Title lead={view.t === null ? serial : `T${view.t}`}>
            {say.onFor(view.name, view.machine ?? say.noMachineYet)}
            {view.wanted && <b className="text-ink"> · {say.gradeAt(view.wanted.grade, view.wanted.rpm)}</b>}
          </Title>
          <Unrolled view={view} fit={showsFit} angleDeg={showsFit ? still : null} />
          {!view.correctable && <p className="text-soft max-w-[60ch]">{say.cannotBeCorrected}</p>}
          {view.correctable && !view.standing && <p className="text-soft">{say.notRunYet}</p>}
          {showsFit && <Steps fit={showsFit} done={view.done} />}
          <Facts view={view} />
          <Cautions lines={say.cautions} />
        </>
      }
      right={
        <>
          <Figures view={view} fit={showsFit} />
          {spindle?.simulated && (
            <SpindleHands
              spindle={spindle}
              serial={serial}
              big={big}
              busy={busy}
              run={(asked) => void run(asked).then(now)}
              hand={act.hand}
              really={act.really}
            />
          )}
          <div className="mt-auto flex flex-col gap-2 pt-2">
            <Problem lead={say.notDone} text={problem ?? silent} />
            <Next view={view} big={big} busy={busy} run={run} now={now} act={act} setAgain={setAgain} />
          </div>
        </>
      }
    />
  )
}
