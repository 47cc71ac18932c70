'use client'
import { useState } from 'react'
import { formatLength, unitMark } from '@/core/units'
import type { TouchOffLine } from '@/stations/at-machine/contract'
import { say } from '@/words/screens/at-machine'
import { Choices } from '../common/actions'
import { Cautions, Sheet, Title } from '../common/sheet'
import { MachineSelect } from '../common/machine-select'
import { LOAD_TABS, SubNav } from '../common/sub-nav'
import { formatWhen } from '../format/due'
import { useUnit } from '../shell/shell-context'
import type { AtMachineProps } from './at-machine-props'
import { Centring } from './centring'
import { CheckForm } from './check-form'
import { InsertForm } from './insert-form'
import { StationForm } from './station-form'
import { NoteForm } from './note-form'

const DONE = [
  { key: 'value', name: say.aValue },
  { key: 'insert', name: say.anInsert },
  { key: 'check', name: say.aCheck },
  { key: 'station', name: say.aStation },
] as const

/** Tools that are set at the machine itself: a bore centred with an indicator, and what was touched off there. */
export function AtMachineStation(props: AtMachineProps) {
  const { machine, machines, lines, note, inside, change, station, sweep } = props
  const [what, setWhat] = useState<(typeof DONE)[number]['key']>('value')
  const open = DONE.filter(({ key }) => key !== 'station' || machine.kind === 'lathe')
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={LOAD_TABS} label={say.setAtTheMachine} />
          <div className="flex items-center justify-between gap-3">
            <Title lead={machine.name}>{say.setAtTheMachine}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/load/at-machine" />
          </div>
          <Centring key={machine.key} machine={machine} sweep={sweep} />
          <h2 className="mt-3 text-2xl font-bold">{say.touchOffs}</h2>
          <Lines lines={lines} />
          <Cautions lines={say.cautions} />
        </>
      }
      right={
        <>
          <Choices label={say.whatIsDone} all={open} taken={what} take={setWhat} />
          {what === 'value' ? (
            <NoteForm key={machine.key} machine={machine} note={note} />
          ) : what === 'insert' ? (
            <InsertForm key={machine.key} inside={inside} change={change} />
          ) : what === 'station' && machine.kind === 'lathe' ? (
            <StationForm key={`${machine.key} ${machine.version}`} machine={machine} station={station} />
          ) : (
            <CheckForm key={machine.key} {...props} />
          )}
        </>
      }
    />
  )
}

function Lines({ lines }: { readonly lines: readonly TouchOffLine[] }) {
  const unit = useUnit()
  if (lines.length === 0) return <p className="text-soft">{say.noTouchOffs}</p>
  const { columns } = say
  return (
    <table className="table">
      <thead>
        <tr>
          <th>{columns.t}</th>
          <th>{columns.what}</th>
          <th className="text-right">
            {columns.value} <small>{unitMark(unit)}</small>
          </th>
          <th>{columns.method}</th>
          <th className="text-right">{columns.minutes}</th>
          <th>{columns.when}</th>
          <th>{columns.who}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, i) => (
          <tr key={i}>
            <td className="font-semibold">T{line.t}</td>
            <td>{line.what}</td>
            <td className="figures text-right font-bold">{formatLength(line.valueMm, unit)}</td>
            <td>{line.method}</td>
            <td className="figures text-right">{say.minutesText(line.minutes)}</td>
            <td>{formatWhen(line.at)}</td>
            <td>{line.who}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
