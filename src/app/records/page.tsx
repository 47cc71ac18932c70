import { readRecords } from '@/stations/records/pages'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { SmallAction } from '@/ui/common/actions'
import { Sheet, Title } from '@/ui/common/sheet'
import { RECORDS_TABS, SubNav } from '@/ui/common/sub-nav'
import { RecordSearch } from '@/ui/records/record-search'
import { RecordTable } from '@/ui/records/record-table'
import { recordLines } from '../_parts/record-lines'
import { signedIn } from '../_server/context'
import { recordAsked, recordQuery } from '../_server/record-query'
import { watchRecord } from '../_server/watch-record'
import { RecordState } from '@/ui/records/record-state'
import { say } from '@/words/screens/records'

export const metadata = { title: say.records }

/** A page of the record, entries. */
const SHOWN = 60

export default async function RecordsPage({
  searchParams,
}: {
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const shop = await signedIn()
  const given = new URLSearchParams(
    Object.entries(await searchParams).flatMap(([key, value]) => (typeof value === 'string' ? [[key, value]] : [])),
  )
  const asked = recordAsked(given)
  const beforeSeq = Number(given.get('before')) || undefined
  const query = { ...recordQuery(asked), beforeSeq, limit: SHOWN }
  const { entries, kinds, machines, people, state, more } = readRecords(shop.db, shop.now, query)
  const oldest = entries.at(-1)?.seq
  const { walk, last } = watchRecord(shop)
  const search = new URLSearchParams(asked).toString()
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={RECORDS_TABS} label={say.records} />
            <Title lead={say.records}>{say.whoDidWhatToWhich}</Title>
            <RecordState
              state={last && !last.chain.whole ? last.chain : state}
              seals={last?.seals ?? null}
              more={more}
              walked={walk.found === null ? walk.seq : null}
              wholeAt={last?.at ?? null}
            />
            <RecordSearch
              asked={asked}
              machines={machines.map(({ key, name }) => ({ value: key, name }))}
              people={people.map(({ id, name }) => ({ value: id, name }))}
              kinds={kinds}
            />
            <div className="flex max-w-xl items-center gap-3">
              <span className="text-soft flex-[2] text-lg">
                {beforeSeq
                  ? say.olderThanEntry(beforeSeq)
                  : entries.length === SHOWN
                    ? say.theNewest(SHOWN)
                    : entries.length === 1
                      ? say.oneEntry
                      : say.entryCount(entries.length)}
              </span>
              <SmallAction href={`/api/records?format=csv&${search}`} download>
                {say.asCsv}
              </SmallAction>
              <SmallAction href={`/api/records?format=json&${search}`} download>
                {say.asJson}
              </SmallAction>
            </div>
            <RecordTable lines={recordLines(entries, shop.units, new Map(machines.map((m) => [m.key, m.name])))} />
            <div className="flex max-w-xl items-center gap-3">
              {beforeSeq && <SmallAction href={`/records?${search}`}>{say.newest}</SmallAction>}
              {entries.length === SHOWN && (
                <SmallAction href={`/records?${new URLSearchParams({ ...asked, before: String(oldest) }).toString()}`}>
                  {say.olderEntries}
                </SmallAction>
              )}
            </div>
          </>
        }
      />
    </>
  )
}
