import { readPrograms } from '@/stations/kit/pages'
import Link from '@/ui/common/link'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/library'

export const metadata = { title: say.programs }

export default async function ProgramsPage() {
  const shop = await signedIn()
  const { programs, definitions, machines } = readPrograms(shop.db)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            {programs.length === 0 && <p className="text-lg">{say.noNcProgramsYetThey}</p>}
            <ul>
              {programs.map(({ name, hash, program, jobs }) => (
                <li key={hash} className="border-rule border-b py-2">
                  <h2 className="text-[21px] font-bold">
                    {name} <span className="text-soft text-base font-medium">{say.programHash(hash.slice(0, 12))}</span>
                  </h2>
                  <p className="flex flex-wrap items-center gap-x-4">
                    <span className="text-soft">{say.usedBy}</span>
                    {jobs.map((job) => (
                      <Link key={job.id} className="row-link" href={`/kit/${encodeURIComponent(job.id)}`}>
                        {job.id}, {machines.get(job.machine) ?? job.machine}
                        {job.state === 'open' ? '' : ` (${job.state})`}
                      </Link>
                    ))}
                  </p>
                  <p className="flex flex-wrap items-center gap-x-4">
                    <span className="text-soft">{say.uses}</span>
                    {program.tools.map(({ t }) => {
                      const known = definitions.find((d) => d.t === t && d.machines.includes(jobs[0].machine))
                      return known ? (
                        <Link
                          key={t}
                          className="text-act flex min-h-11 items-center"
                          href={`/library/tools/${encodeURIComponent(known.id)}`}
                        >
                          T{t} {known.name}
                        </Link>
                      ) : (
                        <span key={t} className="text-off">
                          {say.tUnknown(t)}
                        </span>
                      )
                    })}
                    {program.tools.length === 0 && <span>{say.noTool}</span>}
                  </p>
                </li>
              ))}
            </ul>
          </>
        }
      />
    </>
  )
}
