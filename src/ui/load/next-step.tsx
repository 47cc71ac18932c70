import { useState } from 'react'
import { isClear, type StepLine } from '@/core/load'
import { pocketText, SPINDLE } from '@/core/tool'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Say } from '../common/sheet'
import type { useAct } from '../common/use-act'
import type { HandAct, LoadMachine, LoadStationProps } from './load-props'
import { stepLineText } from '@/words/load'

const HANDS: Partial<Record<StepLine['step'], readonly [HandAct, string]>> = {
  open: ['open', 'open the door'],
  in: ['put', 'put it in'],
  shut: ['shut', 'shut the door'],
}

/** What is to be done now, and how to cancel it. */
export function NextStep({
  machine,
  serial,
  run,
  steps,
  standIn,
  busy,
  act,
  finish,
  turn,
  tick,
  drop,
  hand,
  findings,
}: LoadStationProps & {
  readonly machine: LoadMachine
  readonly serial: string
  readonly busy: boolean
  readonly act: ReturnType<typeof useAct>['run']
  readonly finish: () => void
}) {
  const [why, setWhy] = useState<string | null>(null)
  const step = steps.find((s) => s.state === 'now')
  if (!run || !step) return null
  const byHand = run.pocket === SPINDLE
  const due = step.step
  const clear = isClear(
    findings,
    run.overruled.map((o) => o.rule),
  )
  const tap = HANDS[due]
  const play: readonly [HandAct, string] | undefined =
    byHand && due === 'pocket' ? ['manual', 'changer to manual'] : byHand && due === 'in' ? ['spindle put', 'put it in'] : tap
  return (
    <>
      {due === 'pocket' && !byHand && step.watched ? (
        <BigAction onAct={() => void act(() => turn({ serial }))} disabled={busy}>
          Turn to pocket {run.pocket}
        </BigAction>
      ) : due === 'written' || due === 'recorded' ? (
        machine.typed && due === 'written' ? null : (
          <>
            <Say
              tone="todo"
              lead={machine.typed ? 'All offsets are typed and read back.' : `It is in ${pocketText(run.pocket)}, door shut.`}
            >
              {machine.typed ? 'Save it to the record.' : `The offsets are sent to ${machine.name} and read back.`}
            </Say>
            <BigAction onAct={finish} disabled={busy || !clear}>
              {busy ? 'Writing and reading back …' : machine.typed ? 'Save to the record' : `Send offsets to ${machine.name}`}
            </BigAction>
          </>
        )
      ) : step.watched ? (
        <Say tone="todo" lead={`${stepLineText(step)}.`} role="status">
          A switch of the machine checks this. The sheet goes on by itself.
        </Say>
      ) : (
        <BigAction onAct={() => void act(() => tick({ serial, step: due }))} disabled={busy}>
          {stepLineText(step)}: done
        </BigAction>
      )}
      {standIn && step.watched && play && (
        <SmallActions>
          <SmallAction onAct={() => void act(() => hand({ machine: machine.key, act: play[0] }))} disabled={busy}>
            Stand-in machine: {play[1]}
          </SmallAction>
        </SmallActions>
      )}
      {why === null ? (
        <SmallActions>
          <SmallAction onAct={() => setWhy('')}>Cancel loading …</SmallAction>
        </SmallActions>
      ) : (
        <SmallActions>
          <input
            className={`${FIELD} mt-0! flex-1`}
            value={why}
            aria-label="Why loading is cancelled"
            placeholder="why"
            onChange={(e) => setWhy(e.target.value)}
          />
          <SmallAction
            onAct={() =>
              void act(
                () => drop({ serial, reason: why.trim() }),
                () => setWhy(null),
              )
            }
            disabled={busy}
          >
            Cancel loading
          </SmallAction>
        </SmallActions>
      )}
    </>
  )
}
