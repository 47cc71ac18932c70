import { pocketText } from '@/words/pocket'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { isClear } from '@/core/load'
import { SPINDLE } from '@/core/tool'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import type { useAct, Run } from '../common/use-act'
import type { LoadMachine, LoadStationProps } from './load-props'
import { stepLineText } from '@/words/load'
import { HandAtMachine } from '../stand-in/tricks'
import { say } from '@/words/screens/load'

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
  return (
    <>
      {due === 'pocket' && !byHand && step.watched ? (
        <BigAction onAct={() => void act(() => turn({ serial }))} disabled={busy}>
          {say.turnToPocket(run.pocket)}
        </BigAction>
      ) : due === 'written' || due === 'recorded' ? (
        machine.typed && due === 'written' ? null : (
          <>
            <Say tone="todo" lead={machine.typed ? say.allOffsetsAreTypedAnd : say.itIsInDoorShut(pocketText(run.pocket))}>
              {machine.typed ? say.saveItToTheRecord : say.theOffsetsAreSentTo(machine.name)}
            </Say>
            <BigAction onAct={finish} disabled={busy || !clear}>
              {busy ? say.writingAndReadingBack : machine.typed ? say.saveToTheRecord : say.sendOffsetsTo(machine.name)}
            </BigAction>
          </>
        )
      ) : step.watched ? (
        <Say tone="todo" lead={`${stepLineText(step)}.`} role="status">
          {say.aSwitchOfTheMachine}
        </Say>
      ) : (
        <BigAction onAct={() => void act(() => tick({ serial, step: due }))} disabled={busy}>
          {say.doneStep(stepLineText(step))}
        </BigAction>
      )}
      {standIn && step.watched && (
        <HandAtMachine machine={machine.key} step={due} pocket={run.pocket} hand={hand} busy={busy} run={act} />
      )}
      <Cancel why={why} setWhy={setWhy} act={act} drop={drop} serial={serial} busy={busy} />
    </>
  )
}

/** Loading is cancelled with a reason. */
function Cancel({
  why,
  setWhy,
  act,
  drop,
  serial,
  busy,
}: {
  readonly why: string | null
  readonly setWhy: Dispatch<SetStateAction<string | null>>
  readonly act: Run
  readonly drop: LoadStationProps['drop']
  readonly serial: string
  readonly busy: boolean
}) {
  return why === null ? (
    <SmallActions>
      <SmallAction onAct={() => setWhy('')}>{say.cancelLoading}</SmallAction>
    </SmallActions>
  ) : (
    <SmallActions>
      <input
        className="input flex-1"
        value={why}
        aria-label={say.whyLoadingIsCancelled}
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
        {say.cancelLoadingTitle}
      </SmallAction>
    </SmallActions>
  )
}
