import Link from 'next/link'
import { formatLength, unitMark } from '@/core/units'
import { cutterOf, holderOf, listDefinitions, listHolders, listStock } from '@/db/library/read'
import { listMachines } from '@/db/machine/read'
import { Sheet, Title } from '@/ui/common/sheet'
import { context } from '../_server/context'

export const metadata = { title: 'Library' }

export default async function LibraryPage() {
  const house = await context()
  const definitions = listDefinitions(house.db)
  const stock = listStock(house.db)
  const holders = listHolders(house.db)
  const machines = new Map(listMachines(house.db).map((m) => [m.key, m.name]))
  const head = 'border-ink border-b-2 [&>th]:pb-1.5 [&>th]:pr-4 [&>th]:text-[17px] [&>th]:font-medium'
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead="Library">what each T number stands for, and the parts it is made of</Title>
            <table className="w-full text-left">
              <thead>
                <tr className={head}>
                  <th scope="col">T</th>
                  <th scope="col">tool</th>
                  <th scope="col">LF {unitMark(house.unit)}</th>
                  <th scope="col">holder</th>
                  <th scope="col">cutter</th>
                  <th scope="col">in stock</th>
                  <th scope="col">machines</th>
                </tr>
              </thead>
              <tbody>
                {definitions.map((d) => (
                  <tr key={d.id} className="border-rule h-[46px] border-b [&>td]:pr-4">
                    <th scope="row" className="figures text-[21px] font-bold">
                      T{d.t}
                    </th>
                    <td>{d.name}</td>
                    <td className="num text-[19px] font-semibold">
                      {formatLength(d.LF.nominal, house.unit, house.unit === 'mm' ? 1 : 3)}
                    </td>
                    <td>{holderOf(house.db, d.holder).name}</td>
                    <td>{cutterOf(house.db, d.cutter).name}</td>
                    <td className="num">{stock.get(d.cutter) ?? 0}</td>
                    <td>{d.machines.map((key) => machines.get(key) ?? key).join(', ')}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {definitions.length === 0 && (
              <p className="text-lg">No definitions yet. A tool can be measured and labelled without one, from Measure.</p>
            )}
            <h2 className="mt-4 text-2xl font-bold">Holders</h2>
            <table className="w-full text-left">
              <thead>
                <tr className={head}>
                  <th scope="col">serial</th>
                  <th scope="col">taper</th>
                  <th scope="col">heats</th>
                  <th scope="col">carries</th>
                </tr>
              </thead>
              <tbody>
                {holders.map((h) => (
                  <tr key={h.serial} className="border-rule h-[46px] border-b [&>td]:pr-4">
                    <th scope="row">
                      <Link className="text-act flex min-h-11 items-center text-[19px] font-semibold" href={`/tools/${h.serial}`}>
                        {h.serial}
                      </Link>
                    </th>
                    <td>{h.coupling}</td>
                    <td className="num">{h.heats}</td>
                    <td>{h.retired ? 'retired' : h.carries ? (h.carriesT === null ? 'a tool' : `T${h.carriesT}`) : 'free'}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        }
      />
    </>
  )
}
