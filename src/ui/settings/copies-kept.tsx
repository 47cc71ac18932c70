import { say } from '@/words/screens/settings'
import { Row, Say } from '../common/sheet'
import { formatWhen } from '../format/due'

/** When the database was copied last, how many copies there are, and what is wrong with them. */
export function CopiesKept({
  last,
  count,
  bytes,
  folder,
  fault,
}: {
  /** ISO 8601; null before the first. */
  readonly last: string | null
  readonly count: number
  readonly bytes: number
  readonly folder: string
  /** Why the last could not be made. */
  readonly fault: string | null
}) {
  return (
    <section className="mt-4">
      <h2 className="text-2xl font-bold">{say.copiesOfTheDatabase}</h2>
      {fault !== null && (
        <Say tone="off" lead={say.noCopies} role="status">
          {fault}
        </Say>
      )}
      <Row name={say.lastCopy}>{last === null ? say.noCopyYet : formatWhen(last)}</Row>
      <Row name={say.copiesKept}>{say.copiesCount(count, say.sizeInMb(bytes / 1e6))}</Row>
      <p className="text-soft break-words">
        {say.copiesLieIn(folder)} {say.picturesToo}
      </p>
    </section>
  )
}
