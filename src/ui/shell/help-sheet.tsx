'use client'
import { usePage } from '../common/going'
import Link from '../common/link'
import { helpFor, lessonFor } from '@/words/help'
import { say } from '@/words/screens/shell'
import { OTHERS, STATIONS } from './places'

/** What this screen is for, what may be scanned, what to be careful with, and the keys that work everywhere. */
export function HelpSheet() {
  const page = usePage()
  const help = helpFor(page)
  const lesson = lessonFor(page)
  return (
    <>
      {help && (
        <section aria-label={help.name} className="mb-5 max-w-[680px]">
          <h2 className="font-head text-[26px] font-bold">{help.name}</h2>
          <p className="mb-3 text-lg">{help.about.join(' ')}</p>
          {help.scans && (
            <>
              <h3 className="font-head text-xl font-bold">{say.scansHere}</h3>
              <dl className="mb-3">
                {help.scans.map(([scan, does]) => (
                  <div key={scan} className="border-rule grid grid-cols-[220px_minmax(0,1fr)] gap-3 border-b py-1.5 text-lg">
                    <dt className="font-semibold">{scan}</dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </>
          )}
          {help.cautions && (
            <div className="border-unsure bg-base-200 border-l-[5px] px-3 py-2">
              <h3 className="font-head text-xl font-bold">{say.beCareful}</h3>
              <ul className="text-lg">
                {help.cautions.map((caution) => (
                  <li key={caution}>{caution}</li>
                ))}
              </ul>
              <p className="text-soft text-base">{say.instructionsFirst}</p>
            </div>
          )}
        </section>
      )}
      <p className="mb-5 text-lg">
        {say.practiseIt}{' '}
        <Link href={lesson.href} className="text-act font-semibold underline">
          {lesson.name}
        </Link>
      </p>
      <KeyList />
    </>
  )
}

function KeyList() {
  const rows: [string, string][] = [
    ['scan', say.worksOnEveryScreenWithout],
    [say.spaceOrEnter, say.theBigButton],
    ['1 … 7', STATIONS.map((s) => s.name).join(' · ')],
    [say.gThenALetter, OTHERS.map((o) => `${o.go} ${o.name}`).join(' · ')],
    ['← →', say.walkAlongTheRack],
    ['u', say.mmOrInch],
    [say.findKey, say.findAnything],
    ['?', say.thisHelp],
  ]
  return (
    <table className="table">
      <caption className="font-head pb-1 text-left text-xl font-bold">{say.keys}</caption>
      <tbody>
        {rows.map(([key, what]) => (
          <tr key={key}>
            <th scope="row" className="text-lg font-semibold whitespace-nowrap">
              {key}
            </th>
            <td>{what}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
