import type { BalanceFit } from '@/core/balance'
import type { BalanceView } from '@/stations/balance/contract'
import { angleText, coupleText, fitStepText, gradeNumber, speedText, unbalanceText } from '@/words/balance'
import { say } from '@/words/screens/balance'
import { small } from '@/words/size'
import { Row, Say } from '../common/sheet'
import { VerdictMark } from '../common/verdict'
import { formatWhen } from '../format/due'
import { useUnit, useUnits } from '../shell/shell-context'
import { GradeChart } from './grade-chart'
import { massText } from '@/words/quantity'

/** Now, and after the correction; up to which speed it is good. */
export function Figures({ view, fit }: { readonly view: BalanceView; readonly fit: BalanceFit | null }) {
  const { wanted, standing, result } = view
  if (!wanted) return null
  const now = standing?.grade ?? result?.grade ?? null
  return (
    <>
      {now !== null && (
        <Figure name={say.now} small={say.gAt(wanted.rpm)} grade={now} good={standing ? view.good : now <= wanted.grade} />
      )}
      {fit && <Figure name={say.afterThis} small={say.computed} grade={fit.after.grade} good={fit.after.grade <= wanted.grade} />}
      {now !== null && (
        <GradeChart
          wanted={wanted}
          now={now}
          after={fit?.after.grade ?? null}
          good={standing ? view.good : (now ?? 0) <= wanted.grade}
        />
      )}
    </>
  )
}

function Figure({
  name,
  small,
  grade,
  good,
}: {
  readonly name: string
  readonly small: string
  readonly grade: number
  readonly good: boolean
}) {
  return (
    <div className="border-rule flex items-baseline justify-between gap-3 border-b py-1">
      <span className="font-semibold">
        {name}
        <small className="text-soft ml-1.5 font-normal">{small}</small>
      </span>
      <span className="flex items-baseline gap-2.5">
        <VerdictMark verdict={good ? 'holds' : 'off'} />
        <span className={`figures text-[34px] leading-none font-bold ${good ? '' : 'text-off'}`}>{gradeNumber(grade)}</span>
      </span>
    </div>
  )
}

/** What is done, and what is next. */
export function Steps({ fit, done }: { readonly fit: BalanceFit; readonly done: number }) {
  const unit = useUnit()
  return (
    <ol className="border-rule max-w-[760px] border-t" aria-label={say.toDo}>
      {fit.steps.map((step, i) => (
        <li key={i} className="border-rule font-head flex min-h-11 items-center justify-between border-b text-[20px]">
          <span className={i < done ? 'text-soft' : 'font-semibold'}>{fitStepText(step, unit)}</span>
          <span className={i < done ? 'text-holds' : ''}>{i < done ? say.stepDone : i === done ? say.next : ''}</span>
        </li>
      ))}
    </ol>
  )
}

/** The tool's figures beside its grade. */
export function Facts({ view }: { readonly view: BalanceView }) {
  const { standing, rounds, massKg, seatGrade, wanted } = view
  const units = useUnits()
  const unit = units.length
  return (
    <div className="flex max-w-[760px] flex-col gap-2">
      {standing && seatGrade && wanted && (
        <Say tone="unsure" lead={say.theMachinesSeat}>
          {say.seatRepeats(small(seatGrade.um / 1000, unit), seatGrade.grade, wanted.rpm)}
        </Say>
      )}
      <div className="max-w-[520px]">
        {massKg !== null && <Row name={say.weight}>{massText(massKg, units)}</Row>}
        {standing && (
          <>
            <Row name={say.goodTo}>{speedText(Math.min(standing.goodToRpm, 200_000))}</Row>
            <Row name={say.staticPart} symbol={angleText(standing.staticGmm.deg)}>
              {unbalanceText(standing.staticGmm.gmm)}
            </Row>
            {standing.coupleGmm2 !== null && <Row name={say.couplePart}>{coupleText(standing.coupleGmm2)}</Row>}
            <Row name={say.force}>{standing.forceN.toFixed(standing.forceN >= 10 ? 0 : 1)} N</Row>
            <Row name={say.centreOff}>{small(standing.offsetUm / 1000, unit)}</Row>
          </>
        )}
        {rounds.map(({ round, grade, at }, i) => (
          <Row key={round} name={say.run(i)} symbol={formatWhen(at)}>
            G {gradeNumber(grade)}
          </Row>
        ))}
      </div>
    </div>
  )
}
