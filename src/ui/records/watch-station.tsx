'use client'
import Link from '../common/link'
import { useState } from 'react'
import { isLead, type Machine } from '@/core/tool'
import type { Ask } from '@/stations/contract'
import type * as watch from '@/stations/watch/contract'
import type { WatchedMachine, WatchLine } from '@/stations/watch/contract'
import { controlErrorText } from '@/words/devices'
import { differenceText } from '@/words/load'
import { say } from '@/words/screens/months'
import { RowAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Problem, Row, Say, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { formatWhen } from '../format/due'
import { useShell } from '../shell/shell-context'

export interface WatchActs {
  readonly look: Ask<typeof watch.lookNow>
  readonly wear: Ask<typeof watch.takeAsWear>
  readonly keep: Ask<typeof watch.keepOpen>
}

/** Each control's table against what was handed over; what differs is settled here. */
export function WatchStation({ machines, act }: { readonly machines: readonly WatchedMachine[]; readonly act: WatchActs }) {
  const [chosen, choose] = useState<number | null>(null)
  const found = machines.flatMap(({ machine, lines }) =>
    lines.flatMap((line) => (line.id === chosen ? [{ machine, line }] : [])),
  )[0]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.watch} />
          <Title lead={say.watch}>{say.watchAbout}</Title>
          {machines.length === 0 && <p className="text-lg">{say.noMachines}</p>}
          <ul className="max-w-[900px]">
            {machines.map((watched) => (
              <MachineLine key={watched.machine.key} watched={watched} look={act.look} chosen={chosen} choose={choose} />
            ))}
          </ul>
        </>
      }
      right={
        found ? (
          <Settle key={found.line.id} machine={found.machine} line={found.line} act={act} />
        ) : (
          <Say tone="todo" lead={say.howToMend} />
        )
      }
    />
  )
}

const STATE_TONE = { open: 'text-off', 'kept open': 'text-unsure', wear: 'text-soft' } as const

function MachineLine({
  watched,
  look,
  chosen,
  choose,
}: {
  readonly watched: WatchedMachine
  readonly look: WatchActs['look']
  readonly chosen: number | null
  readonly choose: (id: number) => void
}) {
  const { machine, lines, readable, readAt, problem, lastAt } = watched
  const { busy, problem: failed, run } = useAct()
  return (
    <li className="border-rule grid grid-cols-[130px_minmax(0,1fr)_auto] gap-4 border-b py-3">
      <b className="font-head text-2xl">{machine.name}</b>
      <div className="text-lg">
        {!readable ? (
          <span className="text-soft">{say.notReadable}</span>
        ) : problem ? (
          <span className="text-off">◆ {controlErrorText(problem)}</span>
        ) : readAt === null ? (
          <span className="text-soft">{say.notReadYet}</span>
        ) : (
          lines.length === 0 && <span className="text-holds font-semibold">● {say.allSame}</span>
        )}
        <ul>
          {lines.map((line) => (
            <li key={line.id} className={`py-1 ${chosen === line.id ? 'bg-base-200' : ''}`}>
              <button type="button" className="w-full cursor-pointer py-1 text-left" onClick={() => choose(line.id)}>
                <span className={STATE_TONE[line.state]}>{say.watchMarks[line.state]} </span>
                {differenceText(line.difference, machine)}
                <small className="text-soft block text-base">
                  {say.seenSince(formatWhen(line.firstAt), line.near)}
                  {line.stops !== null && <b className="text-off"> {say.stopsLoads(line.stops)}</b>}
                </small>
              </button>
            </li>
          ))}
        </ul>
        {readAt && readable && <small className="text-soft block text-base">{say.readAt(formatWhen(readAt))}</small>}
        {lastAt && <small className="text-soft block text-base">{say.lastBy(lastAt.who, formatWhen(lastAt.at))}</small>}
        <Problem lead={say.notRead} text={failed} />
      </div>
      {readable && (
        <RowAction
          aria-label={say.readAgainOf(machine.name)}
          disabled={busy}
          onAct={() => void run(() => look({ machine: machine.key }))}
        >
          {say.readAgain}
        </RowAction>
      )}
    </li>
  )
}

/** One difference, and how it is settled. */
function Settle({ machine, line, act }: { readonly machine: Machine; readonly line: WatchLine; readonly act: WatchActs }) {
  const { person } = useShell()
  const { busy, problem, run } = useAct()
  const [reason, setReason] = useState('')
  const ready = reason.trim().length >= 3 && !busy
  const { id, difference, state, decidedBy } = line
  return (
    <>
      <h2 className="text-2xl font-bold">{say.settle(difference.t, machine.name)}</h2>
      <p className="text-lg">{differenceText(difference, machine)}</p>
      <Row name={say.firstSeen}>{formatWhen(line.firstAt)}</Row>
      <Row name={say.lastSeen}>{formatWhen(line.lastAt)}</Row>
      <Row name={say.atTheMachine}>{line.near ?? '–'}</Row>
      {state !== 'open' && (
        <Say tone="unsure" lead={say.decided[state](decidedBy ?? '')}>
          {line.reason}
        </Say>
      )}
      <TextField label={say.why} maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />
      <Problem lead={say.notSaved} text={problem} />
      <div className="mt-auto pt-3">
        <SmallActions>
          {line.canBeWear && state !== 'wear' && (
            <SmallAction disabled={!ready} onAct={() => void run(() => act.wear({ id, reason }), undefined, say.takenAsWear)}>
              {say.takeAsWear}
            </SmallAction>
          )}
          {state !== 'kept open' && person && isLead(person) && (
            <SmallAction disabled={!ready} onAct={() => void run(() => act.keep({ id, reason }), undefined, say.keptOpen)}>
              {say.keepOpen}
            </SmallAction>
          )}
          <SmallAction disabled={busy} onAct={() => void run(() => act.look({ machine: machine.key }))}>
            {say.readAgain}
          </SmallAction>
        </SmallActions>
        <Link
          className="text-act mt-2 flex min-h-11 items-center underline"
          href={`/load?machine=${encodeURIComponent(machine.key)}`}
        >
          {say.toLoad}
        </Link>
      </div>
    </>
  )
}
