import Link from '@/ui/common/link'
import { namesFor } from '@/stations/kit/pages'
import { readBoard } from '@/stations/plan/board'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Sheet, Title } from '@/ui/common/sheet'
import { PLAN_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatDue } from '@/ui/format/due'
import { standingText, TONE } from '@/ui/kit/standing'
import { say } from '@/words/screens/plan'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.machines }

/** Tools of a job that are named before the rest is only counted. */
const SHOWN = 4

/** A board for each machine: this job, the next and the third, and what they lack. */
export default async function MachinesPage() {
  const { db, now } = await signedIn()
  const board = readBoard(db, now)
  const all = board.flatMap(({ jobs }) => jobs.flatMap(({ missing }) => missing))
  const names = namesFor(db, all)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={PLAN_TABS} label={say.plan} />
            <Title lead={say.machines}>{say.machinesAbout}</Title>
            {board.length === 0 && <p className="text-lg">{say.noMachines}</p>}
            <ul className="flex flex-col gap-3">
              {board.map(({ key, name, jobs }) => (
                <li key={key} className="border-rule grid grid-cols-[120px_repeat(3,minmax(0,1fr))] gap-4 border-b pb-3">
                  <b className="font-head text-2xl">{name}</b>
                  {jobs.length === 0 && <span className="text-soft col-span-3 text-lg">{say.noJobsOfMachine}</span>}
                  {jobs.map((job) => {
                    const due = formatDue(job.dueAt, new Date(now))
                    const ready = job.missing.length === 0
                    return (
                      <div key={job.id}>
                        <Link href={`/kit/${encodeURIComponent(job.id)}`} className="flex min-h-11 flex-col justify-center">
                          <span className="flex items-baseline justify-between gap-2">
                            <b className="font-head text-xl">{job.id}</b>
                            <span className={`figures ${due.late ? 'text-off' : 'text-soft'}`}>{due.text}</span>
                          </span>
                          <span className={`text-lg font-semibold ${ready ? 'text-holds' : 'text-ink'}`}>
                            {ready ? `● ${say.allReady}` : say.readyOf(job.ready, job.tools)}
                          </span>
                        </Link>
                        {job.cart ? (
                          <Link
                            href={`/kit/carts?job=${encodeURIComponent(job.id)}&cart=${encodeURIComponent(job.cart.id)}`}
                            className="text-act flex min-h-11 items-center text-lg underline"
                          >
                            {say.onCart(job.cart.name, job.cart.tools)}
                          </Link>
                        ) : (
                          job.ready > 0 && <p className="text-soft text-base">{say.noCart}</p>
                        )}
                        <ul>
                          {job.missing.slice(0, SHOWN).map((tool) => (
                            <li key={`${tool.t}`} className={`text-base leading-snug ${TONE[tool.standing.type]}`}>
                              <b>T{tool.t}</b> {standingText(tool, { ...names, job: job.id })}
                            </li>
                          ))}
                          {job.missing.length > SHOWN && (
                            <li className="text-soft text-base">{say.moreMissing(job.missing.length - SHOWN)}</li>
                          )}
                        </ul>
                      </div>
                    )
                  })}
                </li>
              ))}
            </ul>
          </>
        }
      />
    </>
  )
}
