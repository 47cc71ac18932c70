'use client'
import { useState } from 'react'
import { CAUSE_CODES, type Cause, type CauseCase, type CauseCode } from '@/core/causes'
import { formatDeviation, type LengthUnit } from '@/core/units'
import type { LessonRunView, LessonsView, LessonTool } from '@/stations/lessons/contract'
import { CAUSE_NAMES } from '@/words/causes'
import { say } from '@/words/screens/practice'
import { nominal } from '@/words/size'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Problem, Row, Sheet, Title } from '../common/sheet'
import { PRACTICE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { CauseList } from '../causes/cause-list'
import { useUnit } from '../shell/shell-context'
import { FaultChoices } from './fault-choices'
import { LessonResultPanel } from './lesson-result'
import { Start, type LessonActs } from './lesson-start'
import { PastLessons } from './past-lessons'

/** Made-up tools, some with a fault: whoever learns says what is wrong with each. */
export function LessonStation({ view, act }: { readonly view: LessonsView; readonly act: LessonActs }) {
  const { current } = view
  const [number, setNumber] = useState(1)
  const tool = current?.tools.find((t) => t.number === number) ?? current?.tools[0]
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={PRACTICE_TABS} label={say.practice} />
          <Title lead={say.readTheEdges}>{current?.title ?? say.readTheEdgesAbout}</Title>
          {current && tool ? (
            <>
              <nav aria-label={say.tools} className="flex flex-wrap gap-2">
                {current.tools.map((one) => (
                  <button
                    key={one.number}
                    type="button"
                    aria-pressed={one.number === tool.number}
                    className={`btn min-h-11 ${one.number === tool.number ? 'btn-neutral' : 'btn-outline'}`}
                    onClick={() => setNumber(one.number)}
                  >
                    {say.toolNumber(one.number)} {one.said ? '●' : '○'}
                  </button>
                ))}
              </nav>
              <Readings given={tool.given} />
            </>
          ) : (
            <p className="text-lg">{say.noLesson}</p>
          )}
          <PastLessons view={view} />
        </>
      }
      right={
        !current || !tool ? (
          <Start start={act.start} own={view.own} />
        ) : current.result ? (
          <LessonResultPanel current={current} result={current.result} start={act.start} own={view.own} />
        ) : (
          <Answer key={tool.number} current={current} tool={tool} act={act} />
        )
      }
    />
  )
}

function Answer({
  current,
  tool,
  act,
}: {
  readonly current: LessonRunView
  readonly tool: LessonTool
  readonly act: LessonActs
}) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [opinion, setOpinion] = useState<readonly Cause[] | null>(null)
  const asked = { run: current.run, number: tool.number }
  const all = current.tools.every((t) => t.said !== null)
  const choose = (code: CauseCode) => void run(() => act.say({ ...asked, code }))
  return (
    <>
      <h2 className="text-2xl font-bold">{say.whatIsWrongWith(tool.number)}</h2>
      {/* all of them, whatever this tool can have: the list must not give anything away */}
      <FaultChoices
        label={say.whatIsWrongWith(tool.number)}
        codes={CAUSE_CODES}
        names={CAUSE_NAMES}
        taken={tool.said}
        busy={busy}
        choose={choose}
      />
      {opinion && <CauseList causes={opinion} unit={unit} />}
      <Problem lead={say.notSaved} text={problem} />
      <div className="mt-auto pt-3">
        {all && (
          <BigAction disabled={busy} onAct={() => void run(() => act.end({ run: current.run }))}>
            {say.seeHowItWent}
          </BigAction>
        )}
        <SmallActions>
          {!opinion && (
            <SmallAction
              disabled={busy}
              onAct={() =>
                void run(
                  () => act.ask(asked),
                  ({ causes }) => setOpinion(causes),
                )
              }
            >
              {say.askBoulder}
            </SmallAction>
          )}
          {!all && (
            <SmallAction disabled={busy} onAct={() => void run(() => act.end({ run: current.run }))}>
              {say.endLesson}
            </SmallAction>
          )}
        </SmallActions>
        {tool.helped && <p className="text-soft mt-1">{say.helpCounts}</p>}
      </div>
    </>
  )
}

/** Against what was wanted; a micrometre is what a bench can tell. */
const off = (value: number, wanted: number, unit: LengthUnit) => formatDeviation(value - wanted, unit)

/** What the bench read of every edge, against what was wanted. */
function Readings({ given }: { readonly given: CauseCase }) {
  const unit = useUnit()
  const { edges, limits, second, before, warmK, heatedMm, minutesCut, clamping } = given
  const [LF, DC] = [(limits.LF[0] + limits.LF[1]) / 2, (limits.DC[0] + limits.DC[1]) / 2]
  const RE = limits.RE ? (limits.RE[0] + limits.RE[1]) / 2 : null
  return (
    <div className="max-w-[820px]">
      <table className="mt-3 table text-lg">
        <caption className="text-soft pb-1 text-left text-base">{say.againstWanted}</caption>
        <thead>
          <tr>
            <th>{say.columns.edge}</th>
            <th className="text-right">{say.columns.deg}</th>
            <th className="text-right">{say.columns.radius}</th>
            {second && <th className="text-right">{say.columns.below(nominal(second.heightMm, unit))}</th>}
            <th className="text-right">{say.columns.length}</th>
            {RE !== null && <th className="text-right">{say.columns.nose}</th>}
          </tr>
        </thead>
        <tbody>
          {edges.map(({ edge, deg, x, z, re }, i) => (
            <tr key={edge} className="figures">
              <td>{edge}</td>
              <td className="text-soft text-right">{deg.toFixed(0)}°</td>
              <td className="text-right text-xl">{off(x, DC / 2, unit)}</td>
              {second && <td className="text-right text-xl">{off(second.edges[i].x, DC / 2, unit)}</td>}
              <td className="text-right text-xl">{off(z, LF, unit)}</td>
              {RE !== null && <td className="text-right text-xl">{re === undefined ? '–' : off(re, RE, unit)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 grid grid-cols-2 gap-x-8">
        <Row name={say.wanted}>
          {say.wantedSizes(nominal(LF, unit), nominal(DC, unit), RE === null ? null : nominal(RE, unit))}
        </Row>
        <Row name={say.heldBy}>{clamping ?? '–'}</Row>
        <Row name={say.lengthBefore}>{before ? off(before.LF, LF, unit) : '–'}</Row>
        <Row name={say.cutFor}>{say.minutes(minutesCut ?? 0)}</Row>
        <Row name={say.warmth}>{warmK === undefined ? say.asTheRoom : say.warmBy(warmK, nominal(heatedMm ?? 0, unit))}</Row>
      </div>
    </div>
  )
}
