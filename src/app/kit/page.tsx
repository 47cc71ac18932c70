import { addHours, format, startOfHour } from 'date-fns'
import Link from 'next/link'
import type { StandingType } from '@/core/plan'
import { readKitStart } from '@/stations/kit/pages'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatDue } from '@/ui/format/due'
import { TONE } from '@/ui/kit/standing'
import { NewJob } from '@/ui/kit/new-job'
import { StationPage } from '../_parts/station'
import { context } from '../_server/context'
import { addJobAction } from './actions'

export const metadata = { title: 'Kit' }

const WORDS: readonly { readonly types: readonly StandingType[]; readonly say: string }[] = [
  { types: ['in-machine', 'ready'], say: '● ready' },
  { types: ['stale'], say: '◐ to measure again' },
  { types: ['in-work', 'under-way'], say: '◐ in progress' },
  { types: ['in-other-machine'], say: '◐ elsewhere' },
  { types: ['to-build'], say: '▲ to build' },
  { types: ['cannot-build'], say: '◆ blocked' },
  { types: ['ask'], say: '◐ to check' },
  { types: ['unknown-t'], say: '◆ unknown T' },
]

export default async function KitPage() {
  const shop = await context()
  const { jobs, past, machines } = readKitStart(shop.db, shop.now)
  const now = new Date(shop.now)
  const nameOf = new Map(machines.map((m) => [m.key, m.name]))
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label="Sheets of Kit" heading />
            {jobs.length === 0 && <p className="text-lg">No job yet. Add an NC program on the right to list its tools.</p>}
            <ul>
              {jobs.map(({ job, count }) => {
                const due = formatDue(job.dueAt, now)
                return (
                  <li key={job.id} className="border-rule border-b">
                    <Link
                      href={`/kit/${encodeURIComponent(job.id)}`}
                      className="grid min-h-[66px] grid-cols-[1fr_auto] items-center gap-x-4 py-2"
                    >
                      <span className="font-head min-w-0 truncate text-[21px] font-bold">
                        {job.urgentFor && <span className="text-off">◆ </span>}
                        {job.id} <span className="text-soft font-medium">{job.name}</span>
                      </span>
                      <span
                        className={`font-head text-right text-[19px] font-semibold ${due.late || job.urgentFor ? 'text-off' : ''}`}
                      >
                        {job.urgentFor
                          ? `${nameOf.get(job.machine) ?? job.machine} waits`
                          : `${nameOf.get(job.machine) ?? job.machine} · ${due.text}`}
                      </span>
                      <span className="flex flex-wrap gap-x-4 font-semibold">
                        {WORDS.map(({ types, say }) => {
                          const n = types.reduce((sum, type) => sum + (count[type] ?? 0), 0)
                          const [shape, ...word] = say.split(' ')
                          return n > 0 ? (
                            <span key={say} className={TONE[types[0]]}>
                              {shape} {n} {word.join(' ')}
                            </span>
                          ) : null
                        })}
                      </span>
                      <span className="text-soft text-right">
                        {job.quantity} {job.quantity === 1 ? 'part' : 'parts'}
                        {job.programs.length === 1
                          ? ` · ${job.programs[0].name}`
                          : job.programs.length > 1
                            ? ` · ${job.programs.length} programs`
                            : ''}
                      </span>
                    </Link>
                  </li>
                )
              })}
            </ul>
            {past.length > 0 && (
              <details className="mt-2">
                <summary className="text-soft font-head min-h-11 cursor-pointer text-lg font-semibold">
                  Closed jobs: {past.length} {past.length === 1 ? 'job' : 'jobs'}
                </summary>
                <ul>
                  {past.map((job) => (
                    <li key={job.id} className="border-rule text-soft border-b py-2">
                      {job.id} {job.name} · {job.state}
                    </li>
                  ))}
                </ul>
              </details>
            )}
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
