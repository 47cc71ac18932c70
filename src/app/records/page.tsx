import { listMachines } from '@/db/machine/read'
import { listKinds, listRecord, verifyChain } from '@/db/record/read'
import { SmallAction } from '@/ui/common/actions'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { RecordSearch } from '@/ui/records/record-search'
import { RecordTable } from '@/ui/records/record-table'
import { recordLines } from '../_parts/record-lines'
import { context } from '../_server/context'
import { recordAsked, recordQuery } from '../_server/record-query'

export const metadata = { title: 'Records' }

const SHOWN = 500
const FAULT = {
  changed: 'was changed after it was written',
  missing: 'is missing',
  'not chained': 'has no hash',
} as const

export default async function RecordsPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const house = await context()
  const given = new URLSearchParams(
    Object.entries(await searchParams).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
  )
  const asked = recordAsked(given)
  const machines = listMachines(house.db)
  const entries = listRecord(house.db, { ...recordQuery(asked), limit: SHOWN })
  const chain = verifyChain(house.db)
  const query = new URLSearchParams(asked).toString()
  return (
    <>
      <div />
      <Sheet
        left={
          <>
            <Title lead="Records">who did what to which tool. Entries are never changed</Title>
            {chain.whole ? (
              <p className="text-holds text-lg font-semibold">
                <span aria-hidden="true">●</span> Record intact: {chain.entries} entries
                <small className="figures text-soft ml-2 font-normal">{chain.head.slice(0, 12)}</small>
              </p>
            ) : (
              <Say tone="off" lead={`Entry ${chain.seq} ${FAULT[chain.fault]}.`} role="alert">
                Entries before it can be trusted, later ones cannot. Copy the data folder now and compare it with the last backup.
              </Say>
            )}
            <RecordSearch
              asked={asked}
              machines={machines.map(({ key, name }) => ({ value: key, name }))}
              people={house.people.map(({ id, name }) => ({ value: id, name }))}
              kinds={listKinds(house.db)}
            />
            <div className="flex max-w-xl items-center gap-3">
              <span className="text-soft flex-[2] text-lg">
                {entries.length === SHOWN
                  ? `the newest ${SHOWN} of them`
                  : entries.length === 1
                    ? 'one entry'
                    : `${entries.length} entries`}
              </span>
              <SmallAction href={`/api/records?format=csv&${query}`} download>
                as CSV
              </SmallAction>
              <SmallAction href={`/api/records?format=json&${query}`} download>
                as JSON
              </SmallAction>
            </div>
            <RecordTable lines={recordLines(entries, house.unit, new Map(machines.map((m) => [m.key, m.name])))} />
          </>
        }
      />
    </>
  )
}
