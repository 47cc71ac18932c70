import { addHours, format, startOfHour } from 'date-fns'
import Link from 'next/link'
import { listMachines } from '@/db/machine/read'
import { readJobs } from '@/stations/kit/kit-sheet'
import { Sheet, Title } from '@/ui/common/sheet'
import { formatDue } from '@/ui/format/due'
import { NewJob } from '@/ui/kit/new-job'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { addJobAction } from '../actions'

export const metadata = { title: 'Kit' }

export default async function KitPage() {
  const house = await context()
  const machines = listMachines(house.db)
  const now = new Date(house.now)
  const jobs = readJobs(house.db)
  const nameOf = new Map(machines.map((m) => [m.key, m.name]))
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <Title lead="Jobs">which tools each of them wants, and how they stand</Title>
            {jobs.length === 0 && (
              <p className="text-lg">No job yet. Drop an NC program on the right: the tools it changes to are listed.</p>
            )}
            <ul>
              {jobs.map(({ job, toBuild, inWork, there, unknown }) => {
                const due = formatDue(job.dueAt, now)
                return (
                  <li key={job.id} className="border-rule border-b">
                    <Link
                      href={`/kit/${encodeURIComponent(job.id)}`}
                      className="grid min-h-[64px] grid-cols-[1fr_auto] items-center gap-x-4 py-2"
                    >
                      <span className="font-head text-[21px] font-bold">
                        {job.id} <span className="text-soft font-medium">{job.name}</span>
                      </span>
                      <span className={`font-head text-right text-[19px] font-semibold ${due.late ? 'text-off' : ''}`}>
                        {nameOf.get(job.machine) ?? job.machine} · {due.text}
                      </span>
                      <span className="flex flex-wrap gap-x-4 font-semibold">
                        <span className="text-holds">● {there} there</span>
                        {inWork > 0 && <span className="text-unsure">◐ {inWork} in work</span>}
                        {toBuild > 0 && <span className="text-act">▲ {toBuild} to build</span>}
                        {unknown > 0 && <span className="text-off">◆ {unknown} unknown T</span>}
                      </span>
                      <span className="text-soft text-right">{job.programName}</span>
                    </Link>
                  </li>
                )
              })}
            </ul>
          </>
        }
        right={
          <NewJob
            machines={machines}
            suggestedDue={format(addHours(startOfHour(now), 4), "yyyy-MM-dd'T'HH:mm")}
            addJob={addJobAction}
          />
        }
      />
    </StationPage>
  )
}
