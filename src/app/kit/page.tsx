import { addHours, format, startOfHour } from 'date-fns'
import Link from '@/ui/common/link'
import type { Job, StandingType } from '@/core/plan'
import { readKitStart } from '@/stations/kit/pages'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatDue, type Due } from '@/ui/format/due'
import { TONE } from '@/ui/kit/standing'
import { NewJob } from '@/ui/kit/new-job'
import { StationPage } from '../_parts/station'
import { signedIn } from '../_server/context'
import { addJobAction } from './actions'
import { say } from '@/words/screens/kit'

export const metadata = { title: say.kit }

const WORDS: readonly { readonly types: readonly StandingType[]; readonly sized: string }[] = [
  { types: ['in-machine', 'ready'], sized: say.ready },
  { types: ['stale'], sized: say.toMeasureAgain },
  { types: ['in-work', 'under-way'], sized: say.inProgress },
  { types: ['in-other-machine'], sized: say.elsewhere },
  { types: ['to-build'], sized: say.toBuildMark },
  { types: ['cannot-build'], sized: say.blocked },
  { types: ['ask'], sized: say.toCheck },
  { types: ['unknown-t'], sized: say.unknownT },
]

export default async function KitPage() {
  const shop = await signedIn()
  const { jobs, past, machines } = readKitStart(shop.db, shop.now)
  const now = new Date(shop.now)
  const nameOf = new Map(machines.map((m) => [m.key, m.name]))
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} heading />
            {jobs.length === 0 && <p className="text-lg">{say.noJobYetAddAn}</p>}
            <ul>
              {jobs.map(({ job, count }) => {
                const due = formatDue(job.dueAt, now)
                return <JobLine key={job.id} job={job} due={due} nameOf={nameOf} count={count} />
              })}
            </ul>
            <PastJobs past={past} />
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

/** Jobs that are over. */
function PastJobs({ past }: { readonly past: readonly Job[] }) {
  return (
    past.length > 0 && (
      <details className="mt-2">
        <summary className="fold text-soft">{say.closedJobs(past.length, past.length === 1 ? say.job : say.jobs)}</summary>
        <ul>
          {past.map((job) => (
            <li key={job.id} className="border-rule text-soft border-b py-2">
              {job.id} {job.name} · {job.state}
            </li>
          ))}
        </ul>
      </details>
    )
  )
}

/** One job, with where its tools stand. */
function JobLine({
  job,
  due,
  nameOf,
  count,
}: {
  readonly job: Job
  readonly due: Due
  readonly nameOf: Map<string, string>
  readonly count: Readonly<
    Partial<
      Record<
        | 'in-machine'
        | 'ready'
        | 'stale'
        | 'in-work'
        | 'under-way'
        | 'in-other-machine'
        | 'to-build'
        | 'cannot-build'
        | 'unknown-t'
        | 'ask'
        | 'left-out',
        number
      >
    >
  >
}) {
  return (
    <li className="border-rule border-b">
      <Link
        href={`/kit/${encodeURIComponent(job.id)}`}
        className="grid min-h-[66px] grid-cols-[1fr_auto] items-center gap-x-4 py-2"
      >
        <span className="font-head min-w-0 truncate text-[21px] font-bold">
          {job.urgentFor && <span className="text-off">◆ </span>}
          {job.id} <span className="text-soft font-medium">{job.name}</span>
        </span>
        <span className={`font-head text-right text-[19px] font-semibold ${due.late || job.urgentFor ? 'text-off' : ''}`}>
          {job.urgentFor
            ? say.waitsNameOf(nameOf.get(job.machine) ?? job.machine)
            : `${nameOf.get(job.machine) ?? job.machine} · ${due.text}`}
        </span>
        <span className="flex flex-wrap gap-x-4 font-semibold">
          {WORDS.map(({ types, sized }) => {
            const n = types.reduce((sum, type) => sum + (count[type] ?? 0), 0)
            const [shape, ...word] = sized.split(' ')
            return n > 0 ? (
              <span key={sized} className={TONE[types[0]]}>
                {shape} {n} {word.join(' ')}
              </span>
            ) : null
          })}
        </span>
        <span className="text-soft text-right">
          {job.quantity} {job.quantity === 1 ? say.part : say.parts}
          {job.programs.length === 1
            ? ` · ${job.programs[0].name}`
            : job.programs.length > 1
              ? say.programCount(job.programs.length)
              : ''}
        </span>
      </Link>
    </li>
  )
}
