'use client'
import { faultsOf, harmOf, type FaultCode, type LessonResult } from '@/core/practice'
import { RATE_PER_HOUR } from '@/core/stats'
import type { RoomThing, RoomView } from '@/stations/lessons/contract'
import { FAULT_NAMES, LESSON_WORDS, LOOK_AT } from '@/words/lessons'
import { say } from '@/words/screens/practice'
import { BigAction } from '../common/actions'
import { useGo } from '../common/going'
import { Row, Say, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { FaultPicture } from './fault-picture'
import { thingName } from './thing-card'

interface Ended {
  readonly thing: RoomThing
  readonly faults: readonly FaultCode[]
  readonly right: boolean
}

/** Each thing with what was planted on it. */
function endedOf({ things }: RoomView, { found, missed, mistaken, open }: LessonResult): Ended[] {
  const planted = new Map([...found, ...missed, ...mistaken, ...open].map((tool) => [tool.number, faultsOf(tool)]))
  return things.map((thing) => {
    const faults = planted.get(thing.number) ?? []
    const right = faults.length === 0 ? thing.said === 'NOTHING' : faults.some((fault) => fault === thing.said)
    return { thing, faults, right }
  })
}

const MINUTE_MS = 60_000

/** What was planted, what was found, missed and wrongly blamed, what a miss would have done, and what to look at next time. */
export function RoomResult({ current, result }: { readonly current: RoomView; readonly result: LessonResult }) {
  const go = useGo()
  const all = endedOf(current, result)
  const { harm, share } = result
  const took = Math.max(
    1,
    Math.round((Date.parse(current.endedAt ?? current.startedAt) - Date.parse(current.startedAt)) / MINUTE_MS),
  )
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={LESSON_WORDS[current.lesson].title}>{say.howItWent}</Title>
          <ul className="max-w-[860px]">
            {all.map((one) => (
              <EndedRow key={one.thing.number} {...one} />
            ))}
          </ul>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{say.rightOf(Math.round(share * all.length), all.length)}</h2>
          <Row name={say.timeTaken}>{say.took(took, current.minutes)}</Row>
          {harm.worst ? (
            <Say tone="off" lead={say.wouldHave(harm.worst)}>
              {say.aMissCosts(harm.minutes, RATE_PER_HOUR)}
            </Say>
          ) : (
            <Say tone="holds" lead={say.nothingWouldHave} />
          )}
          <div className="mt-auto pt-3">
            <BigAction onAct={() => go.push('/practice/lessons')}>{say.otherLesson}</BigAction>
          </div>
        </>
      }
    />
  )
}

function EndedRow({ thing, faults, right }: Ended) {
  // nobody stopped it: it would have gone to the machine
  const passed = faults.length > 0 && (thing.said === null || thing.said === 'NOTHING')
  const said = thing.said === null ? say.youSaidNothing : say.youSaid(FAULT_NAMES[thing.said])
  return (
    <li className="border-rule border-b py-2">
      <b className="font-head text-[21px]">{thingName(thing.card)}</b>
      <p className={right ? 'text-holds' : 'text-off'}>
        {right ? '●' : '◆'} {faults.length === 0 ? say.good : say.itWas(faults.map((fault) => FAULT_NAMES[fault]))}
        {right ? '' : `; ${said}`}
      </p>
      {faults.map((fault) => (
        <div key={fault} className="mt-1 grid grid-cols-[1fr_148px] gap-4">
          <p>
            <b>{say.lookAt}:</b> {LOOK_AT[fault]} {passed && <span className="text-soft">({say.harms[harmOf(fault).harm]})</span>}
          </p>
          <FaultPicture fault={fault} />
        </div>
      ))}
    </li>
  )
}
