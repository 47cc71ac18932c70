import Link from 'next/link'
import { readWatch } from '@/stations/records/watch'
import { SmallAction, SmallActions } from '@/ui/common/actions'
import { KeepFresh } from '@/ui/common/keep-fresh'
import { Say, Sheet, Title } from '@/ui/common/sheet'
import { RECORDS_TABS, SubNav } from '@/ui/common/sub-nav'
import { formatWhen } from '@/ui/format/due'
import { controlErrorText } from '@/words/devices'
import { differenceText } from '@/words/load'
import { say } from '@/words/screens/months'
import { signedIn } from '../../_server/context'

export const metadata = { title: say.watch }

/** Each control's table now, against what was handed over. */
export default async function WatchPage() {
  const { db, control } = await signedIn()
  const watched = await readWatch(db, control)
  return (
    <>
      <KeepFresh />
      <div />
      <Sheet
        left={
          <>
            <SubNav tabs={RECORDS_TABS} label={say.watch} />
            <Title lead={say.watch}>{say.watchAbout}</Title>
            {watched.length === 0 && <p className="text-lg">{say.noMachines}</p>}
            <ul className="max-w-[900px]">
              {watched.map(({ machine, differences, problem, readable, lastAt }) => (
                <li key={machine.key} className="border-rule grid grid-cols-[130px_minmax(0,1fr)_auto] gap-4 border-b py-3">
                  <b className="font-head text-2xl">{machine.name}</b>
                  <div className="text-lg">
                    {problem ? (
                      <span className="text-off">◆ {controlErrorText(problem)}</span>
                    ) : differences.length > 0 ? (
                      <>
                        <b className="text-off">◆ {say.differences(differences.length)}</b>
                        <ul>
                          {differences.map((d, i) => (
                            <li key={i}>{differenceText(d, machine)}</li>
                          ))}
                        </ul>
                      </>
                    ) : readable ? (
                      <span className="text-holds font-semibold">● {say.allSame}</span>
                    ) : (
                      <span className="text-soft">{say.notReadable}</span>
                    )}
                    {lastAt && (
                      <small className="text-soft block text-base">{say.lastBy(lastAt.who, formatWhen(lastAt.at))}</small>
                    )}
                  </div>
                  <Link className="btn btn-outline" href={`/load?machine=${encodeURIComponent(machine.key)}`}>
                    {say.toLoad}
                  </Link>
                </li>
              ))}
            </ul>
          </>
        }
        right={
          <>
            <h2 className="text-2xl font-bold">{say.watch}</h2>
            <Say tone="todo" lead={say.howToMend} />
            <div className="mt-auto">
              <SmallActions>
                <SmallAction href="/records/watch">{say.readAgain}</SmallAction>
              </SmallActions>
            </div>
          </>
        }
      />
    </>
  )
}
