'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import type { DayDifference } from '@/core/load'
import { formatLength, unitMark } from '@/core/units'
import type { ThatDayTool } from '@/stations/records/contract'
import { pocketText } from '@/words/pocket'
import { say } from '@/words/screens/months'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { MachineSelect } from '../common/machine-select'
import { PrintButton } from '../common/print-button'
import { Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { formatWhen } from '../format/due'
import { useUnit } from '../shell/shell-context'

export interface ThatDayProps {
  readonly machine: { readonly key: string; readonly name: string }
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** As the field of a browser has it, in the shop's zone: `2026-11-28T14:05`. */
  readonly moment: string
  readonly there: readonly ThatDayTool[]
  readonly since: DayDifference
}

/** A machine's tools at some moment, and what has changed since. */
export function ThatDayStation({ machine, machines, moment, there, since }: ThatDayProps) {
  const router = useGo()
  const [at, setAt] = useState(moment)
  const go = (to: string) =>
    router.push(`/records/that-day?${new URLSearchParams({ machine: machine.key, ...(to ? { at: to } : {}) }).toString()}`)
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.thatDay} />
          <div className="flex items-center justify-between gap-3">
            <Title lead={machine.name}>{say.thatDayAbout}</Title>
            <MachineSelect value={machine.key} machines={machines} path="/records/that-day" />
          </div>
          {there.length === 0 ? <p className="text-lg">{say.noTools}</p> : <Tools there={there} />}
        </>
      }
      right={
        <>
          <TextField label={say.moment} type="datetime-local" value={at} onChange={(event) => setAt(event.target.value)} />
          <h2 className="mt-3 text-2xl font-bold">{say.changedSince}</h2>
          <Since since={since} />
          <div className="mt-auto pt-3">
            <BigAction disabled={at === ''} onAct={() => go(at)}>
              {say.show}
            </BigAction>
            <SmallActions>
              <SmallAction onAct={() => go('')}>{say.now}</SmallAction>
              <PrintButton />
            </SmallActions>
          </div>
        </>
      }
    />
  )
}

function Tools({ there }: { readonly there: readonly ThatDayTool[] }) {
  const unit = useUnit()
  const { columns } = say
  const length = (mm: number | undefined) => (mm === undefined ? '–' : formatLength(mm, unit))
  return (
    <table className="table text-lg">
      <thead>
        <tr>
          <th>{columns.pocket}</th>
          <th>{columns.t}</th>
          <th>{columns.holder}</th>
          <th className="text-right">
            {columns.length} <small>{unitMark(unit)}</small>
          </th>
          <th className="text-right">
            {columns.radius} <small>{unitMark(unit)}</small>
          </th>
          <th className="text-right">{columns.handOver}</th>
          <th>{columns.since}</th>
        </tr>
      </thead>
      <tbody>
        {there.map((tool) => (
          <tr key={tool.serial}>
            <td>{pocketText(tool.pocket)}</td>
            <td className="font-bold">{say.tOf(tool.t)}</td>
            <td>{tool.serial}</td>
            <td className="figures text-right">{length(tool.values?.lengthMm)}</td>
            <td className="figures text-right">{length(tool.values?.radiusMm)}</td>
            <td className="figures text-right">{tool.issue}</td>
            <td>{formatWhen(tool.since)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Since({ since: { gone, came, changed } }: { readonly since: DayDifference }) {
  const lines = [
    ...gone.map((t) => say.gone(say.tOf(t.t), t.serial)),
    ...came.map((t) => say.came(say.tOf(t.t), t.serial)),
    ...changed.map(({ then, now }) =>
      then.issue === now.issue
        ? say.movedPocket(say.tOf(now.t), pocketText(then.pocket), pocketText(now.pocket))
        : say.changed(say.tOf(now.t), then.issue, now.issue),
    ),
  ]
  if (lines.length === 0) return <p className="text-soft text-lg">{say.nothingChanged}</p>
  return (
    <ul>
      {lines.map((line) => (
        <li key={line} className="border-rule border-b py-1.5 text-lg">
          {line}
        </li>
      ))}
    </ul>
  )
}
