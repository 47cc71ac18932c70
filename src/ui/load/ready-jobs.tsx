import Link from '../common/link'
import type { Job, NettedTool } from '@/core/plan'
import { formatDue } from '../format/due'
import { standingText, TONE, type Names } from '../kit/standing'
import { say } from '@/words/screens/load'

/** The machine's jobs: what is in, what still misses; a job starts only with every tool in and read back. */
export function ReadyJobs({
  jobs,
  names,
  now,
}: {
  readonly jobs: readonly { readonly job: Job; readonly tools: readonly NettedTool[]; readonly ready: boolean }[]
  readonly names: Names
  readonly now: Date
}) {
  if (!jobs.length) return <p className="text-soft text-lg">{say.noOpenJobForThis}</p>
  return (
    <ul>
      {jobs.map(({ job, tools, ready }) => {
        const missing = tools.filter((t) => t.standing.type !== 'in-machine')
        return (
          <li key={job.id} className="border-rule border-b py-1.5">
            <div className="flex items-baseline justify-between gap-3">
              <Link href={`/kit/${encodeURIComponent(job.id)}`} className="text-xl font-bold">
                {job.id} <span className="text-soft text-lg font-normal">{job.name}</span>
              </Link>
              <span className={`font-head text-lg font-bold whitespace-nowrap ${ready ? 'text-holds' : 'text-act'}`}>
                {ready ? say.readyToStart : say.ofIn(tools.length - missing.length, tools.length)}
                <small className="text-soft ml-3 font-medium">{formatDue(job.dueAt, now).text}</small>
              </span>
            </div>
            {missing.length > 0 && (
              <p className="flex flex-wrap gap-x-5 text-[17px]">
                {missing.map((tool, i) => (
                  <span key={`${tool.wanted.t}-${i}`} className="whitespace-nowrap">
                    <b className="figures">T{tool.wanted.t}</b>{' '}
                    <span className={TONE[tool.standing.type]}>{standingText(tool, names)}</span>
                  </span>
                ))}
              </p>
            )}
          </li>
        )
      })}
    </ul>
  )
}
