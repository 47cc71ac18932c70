import type { CauseCode } from '@/core/causes'
import { harmOf, isReadable, type FaultCode, type LessonResult } from '@/core/practice'
import type { LessonRunView, LessonsView } from '@/stations/lessons/contract'
import { CAUSE_NAMES } from '@/words/causes'
import { say } from '@/words/screens/practice'
import { Row, Say } from '../common/sheet'
import { Start, type LessonActs } from './lesson-start'

const nameOf = (code: FaultCode | null): string => {
  const cause: CauseCode | null = code === null ? 'NOTHING' : isReadable(code) ? code : null
  return cause === null ? '' : CAUSE_NAMES[cause]
}

/** What was planted, what was found, missed and wrongly blamed, and what the misses would have done at the machine. */
export function LessonResultPanel({
  current,
  result,
  start,
  own,
}: {
  readonly current: LessonRunView
  readonly result: LessonResult
  readonly start: LessonActs['start']
  readonly own: LessonsView['own']
}) {
  const { found, missed, mistaken, blamed, open, harm, share } = result
  const right = Math.round(share * current.tools.length)
  const edgeOf = (number: number) => (current.edges[number] === undefined ? '' : say.onEdge(current.edges[number]))
  return (
    <>
      <h2 className="text-2xl font-bold">{say.rightOf(right, current.tools.length)}</h2>
      {harm.worst && (
        <Say tone="off" lead={say.wouldHave(harm.worst)}>
          {say.costs(harm.minutes)}
        </Say>
      )}
      <div>
        {found.map(({ number, fault }) => (
          <Row key={number} name={say.toolNumber(number)}>
            <span className="text-holds">● {say.foundIt(nameOf(fault) + edgeOf(number))}</span>
          </Row>
        ))}
        {[...missed, ...open.filter((t) => t.fault !== null)].map(({ number, fault }) => (
          <Row key={number} name={say.toolNumber(number)}>
            <span className="text-off">
              ◆ {say.missedIt(nameOf(fault) + edgeOf(number))}
              <small className="text-soft block text-base">{fault && say.harms[harmOf(fault).harm]}</small>
            </span>
          </Row>
        ))}
        {mistaken.map(({ number, fault, as }) => (
          <Row key={number} name={say.toolNumber(number)}>
            <span className="text-unsure">◐ {say.tookItFor(nameOf(fault) + edgeOf(number), nameOf(as))}</span>
          </Row>
        ))}
        {blamed.map(({ number, as }) => (
          <Row key={number} name={say.toolNumber(number)}>
            <span className="text-unsure">◐ {say.blamedIt(nameOf(as))}</span>
          </Row>
        ))}
      </div>
      <Start start={start} own={own} />
    </>
  )
}
