import Link from '@/ui/common/link'
import { readAhead, type KitNames } from '@/stations/kit/pages'
import { Sheet } from '@/ui/common/sheet'
import { KIT_TABS, SubNav } from '@/ui/common/sub-nav'
import { standingText, TONE } from '@/ui/kit/standing'
import { formatDue, span } from '@/ui/format/due'
import { StationPage } from '../../_parts/station'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/kit'
import type { AheadLine, Job } from '@/core/plan'
import type { Definition } from '@/core/tool'
import type { ToBuild } from '@/stations/kit/kit-sheet'

export const metadata = { title: say.dueList }

export default async function AheadPage() {
  const shop = await signedIn()
  const now = new Date(shop.now)
  const { lines, jobs, stuck, names, definitions, machines } = readAhead(shop.db, shop.now)
  const total = lines.reduce((sum, l) => sum + l.minutes, 0)
  return (
    <StationPage station="kit" current={null}>
      <Sheet
        left={
          <>
            <SubNav tabs={KIT_TABS} label={say.sheetsOfKit} heading />
            <p className="text-soft text-lg">
              {lines.length === 0 ? say.nothingToStartEveryTool : say.toolsAboutAtOneBench(lines.length, span(Math.round(total)))}
            </p>
            <Stuck stuck={stuck} names={names} machines={machines} now={now} />
            <Lines lines={lines} now={now} jobs={jobs} definitions={definitions} machines={machines} />
          </>
        }
      />
    </StationPage>
  )
}

/** When each build has to begin. */
function Lines({
  lines,
  now,
  jobs,
  definitions,
  machines,
}: {
  readonly lines: readonly AheadLine[]
  readonly now: Date
  readonly jobs: ReadonlyMap<string, Job>
  readonly definitions: readonly Definition[]
  readonly machines: ReadonlyMap<string, string>
}) {
  return (
    <table className="table">
      <thead>
        <tr>
          <th scope="col">{say.startBy}</th>
          <th scope="col">T</th>
          <th scope="col">{say.tool}</th>
          <th scope="col">{say.job}</th>
          <th scope="col">{say.machineStarts}</th>
          <th scope="col" className="text-right">
            {say.minutes}
          </th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line, i) => {
          const begin = formatDue(new Date(line.latestStartMs).toISOString(), now)
          const job = jobs.get(line.job)!
          return (
            <tr key={i} className="h-[46px]">
              <td className={`figures pr-3 text-[19px] font-semibold ${line.late ? 'text-off' : ''}`}>
                {line.late ? `◆ ${begin.text}` : begin.text}
              </td>
              <th scope="row" className="figures pr-3 text-[21px] font-bold">
                T{line.t}
              </th>
              <td className="pr-3">{definitions.find((d) => d.t === line.t && d.machines.includes(job.machine))?.name}</td>
              <td className="pr-3">
                <Link className="row-link" href={`/kit/${encodeURIComponent(job.id)}?t=${line.t}`}>
                  {job.id}
                </Link>
              </td>
              <td className="pr-3">
                {machines.get(job.machine) ?? job.machine} {formatDue(job.dueAt, now).text}
              </td>
              <td className="num text-right text-[19px]">{line.minutes}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** What can't be built, and why. */
function Stuck({
  stuck,
  names,
  machines,
  now,
}: {
  readonly stuck: readonly ToBuild[]
  readonly names: KitNames
  readonly machines: ReadonlyMap<string, string>
  readonly now: Date
}) {
  return (
    stuck.length > 0 && (
      <section aria-label={say.cannotBeBuilt}>
        <h2 className="text-2xl font-bold">{say.cannotBeBuilt}</h2>
        <ul>
          {stuck.map(({ job, tool }, i) => (
            <li key={i} className="border-rule flex min-h-[46px] items-center gap-4 border-b">
              <b className="figures w-16 text-[21px]">T{tool.wanted.t}</b>
              <Link className="row-link w-28" href={`/kit/${encodeURIComponent(job.id)}?t=${tool.wanted.t}`}>
                {job.id}
              </Link>
              <span className={`min-w-0 flex-1 font-semibold ${TONE[tool.standing.type]}`}>{standingText(tool, names)}</span>
              <span>
                {machines.get(job.machine) ?? job.machine} {formatDue(job.dueAt, now).text}
              </span>
            </li>
          ))}
        </ul>
      </section>
    )
  )
}
