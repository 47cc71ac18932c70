import Link from '../common/link'
import { unitMark } from '@/core/units'
import type { RowView, Touches } from '@/stations/set-up/contract'
import { say } from '@/words/screens/settings'
import { Row } from '../common/sheet'
import { useUnit } from '../shell/shell-context'
import type { ListPath } from './set-up-words'

/** Beside the form: what rests on this row, and what else of it is set elsewhere. */
export function RowAside({
  path,
  row,
  touches,
}: {
  readonly path: ListPath
  readonly row: RowView | null
  readonly touches: Touches | null
}) {
  const unit = useUnit()
  return (
    <>
      <h2 className="text-2xl font-bold">{touches ? say.whatRestsOnIt : say.howToType}</h2>
      {touches && (
        <>
          <Row name={say.toolsInIt}>{touches.loaded}</Row>
          <Row name={say.handOversForIt}>{touches.handedOver}</Row>
          <Row name={say.openJobs}>{touches.jobs}</Row>
          <Row name={say.toolsMadeForIt}>{touches.definitions}</Row>
        </>
      )}
      {path === 'machines' && row && (
        <ul className="mt-3">
          {[
            [`/hand-over/posts?machine=${row.name}`, say.itsPost],
            [`/hand-over/labels?machine=${row.name}`, say.itsLabel],
            [`/load/rules?machine=${row.name}`, say.itsRules],
          ].map(([href, name]) => (
            <li key={href}>
              <Link href={href} className="text-act inline-flex min-h-11 items-center text-lg font-semibold">
                {name}
              </Link>
            </li>
          ))}
        </ul>
      )}
      <p className="text-soft mt-2">{say.asideOf[path]}</p>
      <p className="text-soft mt-2">{say.lengthsTyped(unitMark(unit))}</p>
    </>
  )
}
