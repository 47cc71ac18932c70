import { listMachines } from '@/db/machine/read'
import { listRecord } from '@/db/record/read'
import { Sheet, Title } from '@/ui/common/sheet'
import { RecordTable } from '@/ui/records/record-table'
import { recordLines } from '../_parts/record-lines'
import { context } from '../_server/context'

export const metadata = { title: 'Records' }

export default async function RecordsPage() {
  const house = await context()
  const machines = new Map(listMachines(house.db).map((m) => [m.key, m.name]))
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead="Records">who did what to which tool; only ever added to</Title>
            <RecordTable lines={recordLines(listRecord(house.db), house.unit, machines)} />
          </>
        }
      />
    </>
  )
}
