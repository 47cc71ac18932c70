import type { EdgeMeasurement } from '@/core/sets'
import type { LengthUnit } from '@/core/units'
import type { Cause, NextCode } from '@/core/causes'
import { useGo } from '../common/going'
import type { Advice, ToolResult } from '@/core/judge'
import { formatDeviation } from '@/core/units'
import { causesText, NEXT_TEXTS } from '@/words/causes'
import { adviceText } from '@/words/measure'
import { say } from '@/words/screens/measure'
import type { Proposal } from '@/workers/bench.worker'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Cautions, Say } from '../common/sheet'
import { formatSeconds } from '../format/due'
import { useShell } from '../shell/shell-context'
import { FeatureRows } from './feature-rows'
import { measureBig, type MeasureBig, type MeasureEvent, type MeasureSheet } from './machine'
import type { MeasureProps } from './measure-props'
import { Overrule } from './overrule'
import type { BenchState } from './use-bench'
import { NoseDrawing } from '../drawing/nose-drawing'
import { sized } from '@/words/size'

const CAUTIONS = [say.spindleAndCarriageMoveBy, say.cleanOnlyWithTheSpindle]

/** What is most likely wrong, and what to do first. */
export interface Wrong {
  readonly causes: readonly Cause[]
  readonly next: NextCode | null
}

/** Advice that names a cause by rule of thumb: where causes were weighed, they are told instead. */
const THUMB: readonly Advice['said']['code'][] = ['EDGE_OUT', 'OFF_CENTRE', 'EDGES_DIFFER']

export interface RightProps extends MeasureProps {
  /** The tool room's time now. */
  readonly time: string
  readonly warmMm: number
  readonly sheet: MeasureSheet
  readonly state: BenchState
  readonly moving: boolean
  readonly proposal: Proposal | null
  readonly result: ToolResult | null
  /** What is most likely wrong with it; null where it is in tolerance, or nobody can say. */
  readonly wrong: Wrong | null
  readonly advice: Advice | null
  readonly dirtyEdge: number | null
  /** What the live reading can set. */
  readonly settable: 'LF' | 'DC' | null
  readonly happened: (event: MeasureEvent) => void
  readonly wipeEdge: (edge: number | null) => void
  readonly measureAll: () => void
}

/** The values with their verdicts, what there is to say about them, and what comes next. */
export function MeasureRight(props: RightProps) {
  const { serial, sheet, result, before, held, proposal, moving } = props
  const { unit } = useShell()
  const big = measureBig(sheet, {
    held: held !== null,
    moving,
    dirtyEdge: props.dirtyEdge,
    proposed: proposal !== null,
    verdict: result?.verdict ?? null,
  })
  return (
    <>
      {result ? (
        <FeatureRows features={result.features} before={before} unit={unit} />
      ) : (
        <>
          <h2 className="text-2xl font-bold">{say.isOnTheSpindle(serial)}</h2>
          <p className="mt-2 text-lg">{say.cleanTaperFlangeAndEdgesPress}</p>
          {!held && <Cautions lines={CAUTIONS} />}
        </>
      )}
      {proposal?.set.edges[0]?.nose && <NoseSeen nose={proposal.set.edges[0].nose} unit={unit} />}
      <div className="mt-auto pt-1">
        <About {...props} />
        <Next {...props} />
        <Big {...props} big={big} />
        <More {...props} />
      </div>
    </>
  )
}

/** Where a turning tool's tip points, as the bench sees it. */
function NoseSeen({ nose, unit }: { readonly nose: NonNullable<EdgeMeasurement['nose']>; readonly unit: LengthUnit }) {
  const { q, cx, cz } = nose
  return (
    <div className="mt-1 flex items-center gap-4 pt-2">
      <NoseDrawing q={q} axes="bench" size={84} />
      <p>
        <b className="font-head text-xl">{say.tipPointsTo(q)}</b>
        <span className="text-soft block">{say.noseCentre(sized(cx.value, unit), sized(cz.value, unit))}</span>
        <span className="text-soft block">{say.asOnTheBench}</span>
      </p>
    </div>
  )
}

/** What is to be known before the values are believed. */
function About({ warmMm, heat, time, held, overruled, lead, overrule, sheet, happened }: RightProps) {
  const { unit } = useShell()
  return (
    <>
      {warmMm > 0 && heat && (
        <Say tone="unsure" lead={say.stillWarmItReadsUp(formatDeviation(warmMm, unit))}>
          {say.thisIsIncludedInThe(
            heat.measureAt > time
              ? say.coldEnoughInComputed(formatSeconds((Date.parse(heat.measureAt) - Date.parse(time)) / 1000))
              : say.nearlyCold,
          )}
        </Say>
      )}
      {held && (
        <Say tone="off" lead={say.measuringIsStopped} role="alert">
          {held.text}
        </Say>
      )}
      {overruled && (
        <Say tone="unsure" lead={say.measuredWithoutTheMasterCheck}>
          {say.leadApproval(overruled)}
        </Say>
      )}
      {sheet.note && (
        <Say tone={sheet.jumped ? 'unsure' : 'off'} lead={say.notSaved} role="alert">
          {sheet.note}
        </Say>
      )}
      {sheet.jumped && (
        <TextField
          label={say.whyItChanged}
          value={sheet.reason}
          placeholder={say.regroundAdjustedDropped}
          onChange={(e) => happened({ type: 'why', text: e.target.value })}
        />
      )}
      {held && !held.adapter && lead && <Overrule overrule={overrule} />}
    </>
  )
}

/** What was found, and what is advised. */
function Next({ proposal, tool, moving, state, sheet, advice, wrong, result, dirtyEdge }: RightProps) {
  const { unit } = useShell()
  const tellable = wrong && wrong.causes[0].code !== 'NOTHING' && dirtyEdge === null ? wrong : null
  const told = tellable && causesText(tellable.causes, unit)
  const instead = advice && THUMB.includes(advice.said.code) ? told : null
  const advised =
    instead === null
      ? advice && adviceText(advice, unit)
      : { lead: instead, rest: tellable?.next ? NEXT_TEXTS[tellable.next] : '' }
  return (
    <>
      {proposal?.seen && tool.edges && proposal.seen !== tool.edges && !moving ? (
        <Say tone="unsure" lead={say.aTurnShowsEdgesNot(proposal.seen, tool.edges)}>
          {say.checkThatThisIsThe}
        </Say>
      ) : null}
      {state.type === 'failed' ? (
        <Say tone="off" lead={say.nothingMeasured} role="alert">
          {state.text}
        </Say>
      ) : (
        !sheet.note &&
        advice &&
        advised &&
        !moving && (
          <Say tone={advice.tone} lead={advised.lead} role="status">
            {advised.rest} {result?.verdict === 'off' && dirtyEdge === null && say.scanningSavesItAsOut}
          </Say>
        )
      )}
      {/* where no single fault explains it, the advice above says all that is known */}
      {told && instead === null && !sheet.note && !moving && (
        <p className="leading-snug" data-testid="causes">
          {told}
        </p>
      )}
    </>
  )
}

function busyText(state: BenchState): string {
  if (state.type === 'opening') return say.movingToTheTool
  if (state.type !== 'running') return say.cleaning
  return state.edge ? say.edgeWhat(state.edge, state.of ? say.ofWhat(state.of) : '') : say.lookingForTheEdges
}

/** How far the bench is, from 0 to 1; null while nobody can tell, as while pictures are packed and measured again. */
function progressOf(big: MeasureBig, state: BenchState): number | null {
  return big.type === 'moving' && state.type === 'running' && state.edge && state.of ? (state.edge - 1) / state.of : null
}

function Big({ big, ...props }: RightProps & { readonly big: MeasureBig }) {
  const router = useGo()
  const { serial, state, measureAll, wipeEdge } = props
  switch (big.type) {
    case 'check':
      return <BigAction onAct={() => router.push('/measure/masters')}>{say.goToTheMasterCheck}</BigAction>
    case 'saving':
    case 'moving':
      return (
        <>
          <progress className="progress progress-primary" value={progressOf(big, state) ?? undefined} aria-label={say.howFar} />
          <BigAction onAct={() => undefined} disabled>
            {big.type === 'moving'
              ? busyText(state)
              : big.part === 'packing'
                ? say.preparingThePictures
                : say.measuringThePicturesOnThe}
          </BigAction>
        </>
      )
    case 'clean':
      return <BigAction onAct={() => wipeEdge(big.edge)}>{say.cleanEdgeAndMeasureIt(big.edge)}</BigAction>
    case 'again':
      return <BigAction onAct={measureAll}>{say.correctItAndMeasureAgain}</BigAction>
    case 'scan':
      return <ScanAction>{say.scanToSave(serial)}</ScanAction>
    case 'measure':
      return <BigAction onAct={measureAll}>{say.measureAllEdges}</BigAction>
  }
}

/** What else can be done: small, below. */
function More({ serial, program, proposal, moving, held, result, dirtyEdge, settable, made, ...props }: RightProps) {
  if (moving || (proposal && held)) return null
  if (!proposal)
    return (
      <SmallActions>
        <SmallAction href={`/measure/${serial}/figures`}>{say.typeInValues}</SmallAction>
        {program && <SmallAction href={`/measure/${serial}/program`}>{say.itsRoutine}</SmallAction>}
        {made.divisionMm !== null && <SmallAction href={`/measure/${serial}/bore`}>{say.setByDial}</SmallAction>}
      </SmallActions>
    )
  return (
    <SmallActions>
      {result?.verdict !== 'off' && <SmallAction onAct={props.measureAll}>{say.measureAllAgain}</SmallAction>}
      {settable && (
        <SmallAction onAct={() => props.happened({ type: 'adjust', key: settable })}>{say.adjustWithLiveReading}</SmallAction>
      )}
      {program?.version === null && result?.verdict === 'holds' && dirtyEdge === null ? (
        <SmallAction href={`/measure/${serial}/program`}>{say.saveRoutine}</SmallAction>
      ) : (
        <SmallAction onAct={() => props.wipeEdge(null)}>{say.cleanAllAndMeasureAgain}</SmallAction>
      )}
    </SmallActions>
  )
}
