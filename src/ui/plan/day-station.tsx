'use client'
import { format } from 'date-fns'
import { useState } from 'react'
import type { DayView, JobByPlan, PlanView, Way } from '@/stations/plan/contract'
import { say } from '@/words/screens/plan'
import { Choices, SmallAction, SmallActions } from '../common/actions'
import { CsvAction } from '../common/csv-action'
import { PrintButton } from '../common/print-button'
import { Say, Sheet, Title } from '../common/sheet'
import { PLAN_TABS, SubNav } from '../common/sub-nav'
import { span } from '../format/due'
import { DayChart } from './day-chart'
import { Minutes, planCsv, PlanTable } from './plan-tables'
import { useSearch } from './use-search'

export interface DayProps {
  readonly view: DayView
  readonly machines: Readonly<Record<string, string>>
  /** What each tool that cannot be planned lacks, in words. */
  readonly blocked: readonly { readonly tool: string; readonly text: string }[]
}

const WAYS = (['one-by-one', 'shrink-first'] as const).map((key) => ({ key, name: say.wayNames[key] }))
export const isLate = ({ doneMin, dueMin }: JobByPlan) => doneMin !== null && doneMin > dueMin + 0.5
export const inMinutes = (minutes: number) => span(Math.max(1, Math.round(minutes)))
export const clockAt = (now: string, min: number) =>
  format(Date.parse(now) + min * 60_000, min > 12 * 60 ? 'd MMM HH:mm' : 'HH:mm')

/** The room's day: what is done where and when, what is late and why. */
export function DayStation({ view, machines, blocked }: DayProps) {
  const [way, setWay] = useState<Way>(view.sooner)
  const search = useSearch(view, view.plans['one-by-one'])
  const plan = (way === 'one-by-one' && search.better) || view.plans[way]
  const worst = plan.jobs.filter(isLate).sort((a, b) => b.doneMin! - b.dueMin - (a.doneMin! - a.dueMin))[0]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PLAN_TABS} label={say.plan} />
          <Title lead={say.today}>
            {[
              say.toolsToDo(view.tools),
              worst
                ? say.waits(machines[worst.machine] ?? worst.machine, inMinutes(worst.doneMin! - worst.dueMin))
                : say.nobodyLate,
              say.ways[way],
            ].join(' · ')}
          </Title>
          {view.tools === 0 ? (
            <p className="text-lg">{say.nothingToDo}</p>
          ) : (
            <>
              <DayChart view={view} plan={plan} machines={machines} />
              <PlanTable view={view} plan={plan} />
            </>
          )}
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.whatIsLate}</h2>
          <Late view={view} plan={plan} machines={machines} />
          {blocked.length > 0 && (
            <>
              <h3 className="mt-3 text-xl font-bold">{say.blocked(blocked.length)}</h3>
              <ul>
                {blocked.slice(0, 6).map(({ tool, text }) => (
                  <li key={tool} className="border-rule border-b py-1.5">
                    <b className="font-head text-lg">{tool}</b> <span className="text-soft">{text}</span>
                  </li>
                ))}
              </ul>
            </>
          )}
          <Minutes learned={view.learned} />
          <div className="mt-auto pt-3">
            <Choices label={say.whichWay} all={WAYS} taken={way} take={setWay} />
            <p className="text-soft mt-1">
              {plan.exact || plan.latenessMin <= 0
                ? plan.latenessMin > 0
                  ? say.leastPossible(inMinutes(plan.latenessMin))
                  : null
                : plan.boundMin > 0
                  ? say.notLessThan(inMinutes(plan.boundMin))
                  : null}
            </p>
            {way === 'one-by-one' && <SearchOn search={search} exact={plan.exact || plan.latenessMin <= 0} />}
            <SmallActions>
              <CsvAction {...planCsv(view, plan)} />
              <PrintButton />
            </SmallActions>
          </div>
        </>
      }
    />
  )
}

/** Somebody who has time lets it look on, and stops it when it is good enough. */
function SearchOn({ search, exact }: { readonly search: ReturnType<typeof useSearch>; readonly exact: boolean }) {
  const { tried, running, better, start, stop } = search
  if (exact && tried === null) return null
  return (
    <div className="mt-1" role="status">
      {tried !== null && (
        <p className="text-lg">
          {say.tried(tried)} {better ? say.betterFound : running ? say.nothingBetterYet : say.nothingBetter}
        </p>
      )}
      {!exact && (
        <SmallActions>
          {running ? (
            <SmallAction onAct={stop}>{say.stopSearch}</SmallAction>
          ) : (
            <SmallAction onAct={start}>{say.searchOn}</SmallAction>
          )}
        </SmallActions>
      )}
    </div>
  )
}

/** Jobs that are late by this plan, the latest first, each with what its last tool waits for. */
function Late({
  view,
  plan,
  machines,
}: {
  readonly view: DayView
  readonly plan: PlanView
  readonly machines: DayProps['machines']
}) {
  const late = plan.jobs.filter(isLate).sort((a, b) => b.doneMin! - b.dueMin - (a.doneMin! - a.dueMin))
  const nameOf = (id: string) => (view.names[id] ? `T${view.names[id].t}` : '')
  if (late.length === 0)
    return (
      <Say tone="holds" lead={say.nothingLate}>
        {view.tools > 0 ? say.allInTime(clockAt(view.now, plan.endMin)) : null}
      </Say>
    )
  return (
    <ul>
      {late.map((job) => (
        <li key={job.job} className="border-rule border-b py-2">
          <div className="flex items-baseline justify-between gap-3">
            <b className="font-head text-off text-xl">◆ {say.jobOn(job.job, machines[job.machine] ?? job.machine)}</b>
            <span className="figures text-off text-xl whitespace-nowrap">{say.lateBy(inMinutes(job.doneMin! - job.dueMin))}</span>
          </div>
          <p className="text-soft text-lg leading-snug">
            {job.dueMin < 0 && `${say.pastAlready} `}
            {job.last && say.lastTool(nameOf(job.last.tool), clockAt(view.now, job.doneMin!))}{' '}
            {job.last?.wait &&
              say.wait(
                job.last.wait,
                'behind' in job.last.wait ? nameOf(job.last.wait.behind) : '',
                inMinutes(job.last.wait.minutes),
              )}
          </p>
        </li>
      ))}
    </ul>
  )
}
