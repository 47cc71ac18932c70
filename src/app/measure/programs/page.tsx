import { readRoutines } from '@/stations/measure/pages'
import Link from '@/ui/common/link'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Sheet } from '@/ui/common/sheet'
import { MEASURE_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatWhen } from '@/ui/format/due'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/measure'

export const metadata = { title: say.measuringPrograms }

export default async function ProgramsPage() {
  const shop = await signedIn()
  const { routines: programs, machines, definitions } = readRoutines(shop.db)
  const names = new Map(shop.people.map((p) => [p.id, p.name]))
  const rows = [...definitions].sort((a, b) => Number(programs.has(b.id)) - Number(programs.has(a.id)) || a.t - b.t)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={MEASURE_TABS} label={say.sheetsOfTheBench} heading />
            <p className="text-soft max-w-[70ch] text-lg">{say.howEachKindOfTool}</p>
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say.measuringPrograms}>
              <table className="table">
                <thead>
                  <tr>
                    <th scope="col">T</th>
                    <th scope="col">{say.tool}</th>
                    <th scope="col">{say.machines}</th>
                    <th scope="col">{say.steps}</th>
                    <th scope="col">{say.versionLower}</th>
                    <th scope="col">{say.kept}</th>
                  </tr>
                </thead>
                <tbody>
                  {rows.map((d) => {
                    const program = programs.get(d.id)
                    return (
                      <tr key={d.id} className="border-rule h-12 border-b [&>td]:pr-4">
                        <th scope="row" className="figures pr-3 text-[21px] font-bold">
                          T{d.t}
                        </th>
                        <td>
                          <Link className="row-link" href={`/measure/programs/${encodeURIComponent(d.id)}`}>
                            {d.name}
                          </Link>
                        </td>
                        <td className="text-soft">{d.machines.map((key) => machines.get(key) ?? key).join(', ')}</td>
                        <td className={program ? 'text-lg' : 'text-soft'}>
                          {program ? program.steps.map((s) => s.name).join(' · ') : `no routine: ${d.measure.join(', ')}`}
                        </td>
                        <td className="figures text-lg font-semibold">{program?.version ?? '–'}</td>
                        <td className="text-soft">
                          {program && `${formatWhen(program.at)}, ${names.get(program.personId) ?? program.personId}`}
                        </td>
                      </tr>
                    )
                  })}
                  {rows.length === 0 && (
                    <tr>
                      <td colSpan={6} className="text-soft py-4 text-lg">
                        {say.noToolsDefinedYetDefine}
                      </td>
                    </tr>
                  )}
                </tbody>
              </table>
            </div>
          </>
        }
      />
    </>
  )
}
