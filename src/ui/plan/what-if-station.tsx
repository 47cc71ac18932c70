'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import { typedNumber } from '@/core/units'
import type { DayView, WhatIf } from '@/stations/plan/contract'
import { say } from '@/words/screens/plan'
import { BigAction } from '../common/actions'
import { NumberField, SelectField } from '../common/form'
import { Sheet, Title } from '../common/sheet'
import { PLAN_TABS, SubNav } from '../common/sub-nav'
import { clockAt, inMinutes, isLate } from './day-station'

export interface WhatIfProps {
  readonly asIs: DayView
  /** null: nothing was chosen yet. */
  readonly ifSo: DayView | null
  readonly asked: WhatIf
  readonly machines: Readonly<Record<string, string>>
  /** Tools that wait for a part, and tools that could break. */
  readonly waiting: readonly string[]
  readonly breakable: readonly { readonly serial: string; readonly name: string }[]
}

/** The day as it is beside the day as it would be; nothing of it is saved. */
export function WhatIfStation({ asIs, ifSo, asked, machines, waiting, breakable }: WhatIfProps) {
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PLAN_TABS} label={say.plan} />
          <Title lead={say.whatIf}>{say.whatIfAbout}</Title>
          {ifSo ? <Compare asIs={asIs} ifSo={ifSo} machines={machines} /> : <p className="text-lg">{say.nothingChosen}</p>}
        </>
      }
      right={<Ask asIs={asIs} asked={asked} waiting={waiting} breakable={breakable} />}
    />
  )
}

function Compare({
  asIs,
  ifSo,
  machines,
}: {
  readonly asIs: DayView
  readonly ifSo: DayView
  readonly machines: WhatIfProps['machines']
}) {
  const before = asIs.plans[asIs.sooner]
  const after = ifSo.plans[ifSo.sooner]
  const when = (min: number | null, late: boolean) =>
    min === null ? '–' : <span className={late ? 'text-off' : ''}>{`${late ? '◆ ' : '● '}${clockAt(asIs.now, min)}`}</span>
  return (
    <table className="table max-w-[820px] text-lg">
      <thead>
        <tr>
          <th>{say.job}</th>
          <th className="text-right">{say.asItIs}</th>
          <th className="text-right">{say.ifSo}</th>
          <th className="text-right">{say.change}</th>
        </tr>
      </thead>
      <tbody>
        {before.jobs.map((job) => {
          const other = after.jobs.find((j) => j.job === job.job)
          const by = job.doneMin !== null && other?.doneMin != null ? other.doneMin - job.doneMin : null
          return (
            <tr key={job.job}>
              <td>
                <b className="font-head text-xl">{job.job}</b>{' '}
                <span className="text-soft">{machines[job.machine] ?? job.machine}</span>
                <small className="text-soft block">{say.dueAt(clockAt(asIs.now, job.dueMin))}</small>
              </td>
              <td className="figures text-right">{when(job.doneMin, isLate(job))}</td>
              <td className="figures text-right">{other ? when(other.doneMin, isLate(other)) : '–'}</td>
              <td className="figures text-right">
                {by === null
                  ? say.notPlanned
                  : Math.abs(by) < 0.5
                    ? say.sameTime
                    : by < 0
                      ? say.sooner(inMinutes(-by))
                      : say.laterTime(inMinutes(by))}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Ask({ asIs, asked, waiting, breakable }: Pick<WhatIfProps, 'asIs' | 'asked' | 'waiting' | 'breakable'>) {
  const router = useGo()
  const [people, setPeople] = useState(String(asked.people ?? asIs.people))
  const [later, setLater] = useState(asked.later?.job ?? '')
  const [laterBy, setLaterBy] = useState(String(asked.later?.minutes ?? 60))
  const [comes, setComes] = useState(asked.comes?.tool ?? '')
  const [comesIn, setComesIn] = useState(String(asked.comes?.minutes ?? 240))
  const [broken, setBroken] = useState(asked.broken ?? '')
  const go = () => {
    const query = new URLSearchParams({ people })
    if (later) query.set('later', `${later}*${typedNumber(laterBy)}`)
    if (comes) query.set('comes', `${comes}*${typedNumber(comesIn)}`)
    if (broken) query.set('broken', broken)
    router.push(`/plan/what-if?${query.toString()}`)
  }
  const { jobs } = asIs.plans[asIs.sooner]
  return (
    <>
      <h2 className="mb-1 text-2xl font-bold">{say.change}</h2>
      <NumberField label={say.people} decimals={false} value={people} onChange={(e) => setPeople(e.target.value)} />
      <div className="my-2 grid grid-cols-[1fr_110px] gap-x-3 gap-y-2">
        <SelectField label={say.laterJob} value={later} onChange={(e) => setLater(e.target.value)}>
          <option value="">{say.none}</option>
          {jobs.map(({ job }) => (
            <option key={job}>{job}</option>
          ))}
        </SelectField>
        <NumberField label={say.laterBy} unit="min" value={laterBy} onChange={(e) => setLaterBy(e.target.value)} />
        <SelectField label={say.comesTool} value={comes} onChange={(e) => setComes(e.target.value)}>
          <option value="">{say.none}</option>
          {waiting.map((tool) => (
            <option key={tool}>{tool}</option>
          ))}
        </SelectField>
        <NumberField label={say.comesIn} unit="min" value={comesIn} onChange={(e) => setComesIn(e.target.value)} />
      </div>
      <SelectField label={say.brokenTool} value={broken} onChange={(e) => setBroken(e.target.value)}>
        <option value="">{say.none}</option>
        {breakable.map(({ serial, name }) => (
          <option key={serial} value={serial}>
            {name}
          </option>
        ))}
      </SelectField>
      <div className="mt-auto pt-3">
        <BigAction onAct={go}>{say.compare}</BigAction>
      </div>
    </>
  )
}
