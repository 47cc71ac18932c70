import Link, { FileLink } from '@/ui/common/link'
import { formatLength, unitMark } from '@/core/units'
import { readTools } from '@/stations/library/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Sheet } from '@/ui/common/sheet'
import { LIBRARY_TABS, SubNav } from '@/ui/common/sub-nav'
import { Silhouette } from '@/ui/drawing/silhouette'
import { signedIn } from '../../_server/context'
import { say } from '@/words/screens/library'

export const metadata = { title: say.tools }

export default async function ToolsPage() {
  const shop = await signedIn()
  const { tools, machines } = readTools(shop.db)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={LIBRARY_TABS} label={say.sheetsOfTheLibrary} heading />
            <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say.tools}>
              <table className="table">
                <thead>
                  <tr>
                    <th scope="col">
                      <span className="sr-only">{say.shape}</span>
                    </th>
                    <th scope="col">T</th>
                    <th scope="col">{say.tool}</th>
                    <th scope="col" className="text-right">
                      {say.lfInUnit(unitMark(shop.unit))}
                    </th>
                    <th scope="col">{say.holder}</th>
                    <th scope="col">{say.machinesLower}</th>
                    <th scope="col">{say.version}</th>
                  </tr>
                </thead>
                <tbody>
                  {tools.map(({ definition: d, holder, profile }) => (
                    <tr key={d.id} className="border-rule border-b [&>td]:pr-4">
                      <td className="w-16">
                        <Silhouette profile={profile} width={64} height={68} mmPerHeight={250} />
                      </td>
                      <th scope="row" className="figures pr-3 text-[21px] font-bold">
                        T{d.t}
                      </th>
                      <td>
                        <Link className="row-link" href={`/library/tools/${encodeURIComponent(d.id)}`}>
                          {d.name}
                        </Link>
                      </td>
                      <td className="num text-right text-[19px] font-semibold">
                        {formatLength(d.LF.nominal, shop.unit, shop.unit === 'mm' ? 1 : 3)}
                      </td>
                      <td>{holder ?? '–'}</td>
                      <td>{d.machines.map((key) => machines.get(key) ?? key).join(', ')}</td>
                      <td className="num">{d.version}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            {tools.length === 0 && <p className="text-lg">{say.noToolsDefinedYetYou}</p>}
            <div className="flex flex-wrap gap-x-5">
              <Link className="row-link text-lg" href="/library/tools/new">
                {say.defineTool}
              </Link>
              <FileLink className="row-link text-lg" href="/api/library/definitions.csv">
                {say.allToolsAsCsv}
              </FileLink>
            </div>
          </>
        }
      />
    </>
  )
}
