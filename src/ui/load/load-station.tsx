'use client'
import { pocketText } from '@/words/pocket'
import { useGo } from '../common/going'
import { useReducer } from 'react'
import { stepNow } from '@/core/load'
import { SPINDLE } from '@/core/tool'
import { ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Cautions, Problem, Say, Sheet } from '../common/sheet'
import { useKeepFresh } from '../common/keep-fresh'
import { useAct, type Run } from '../common/use-act'
import { BeginStep, PocketChoice } from './begin-step'
import { CAUTIONS, BY_HAND } from './cautions'
import { LoadLeft } from './load-left'
import type { LoadMachine, LoadStationProps } from './load-props'
import { Loaded } from './loaded'
import { loadBig, loadSheet, NOTHING_YET, reasonsGiven, refusedOf, type LoadEvent, type LoadSheet } from './machine'
import { NextStep } from './next-step'
import { Steps } from './steps'
import { TypedFigures } from './typed-figures'
import { say } from '@/words/screens/load'
import { useLoadScans } from './use-load-scans'

const POLL_MS = 1500

const MISSING = {
  machine: say.scanTheMachine,
  holder: say.scanTheHolder,
  label: say.scanTheLabel,
  'another label': say.scanAnotherLabel,
  'another tool': say.scanAnotherTool,
} as const

/** Collects the scans, shows every rule, and goes through the steps of a load on one sheet. */
export function LoadStation(props: LoadStationProps) {
  const { machine, serial, run, steps } = props
  const router = useGo()
  const { busy, problem, setProblem, run: act } = useAct()
  const [sheet, happened] = useReducer(loadSheet, NOTHING_YET)
  useKeepFresh(
    POLL_MS,
    steps.some((s) => s.state === 'now' && s.watched && s.step !== 'written' && s.step !== 'recorded'),
  )
  const go = useLoadScans(props, sheet, () => {
    setProblem(null)
    happened({ type: 'scanned' })
  })
  const choose = (n: number) => router.push(go({ pocket: String(n) }))
  const left = (
    <LoadLeft
      {...props}
      reasons={sheet.reasons}
      onReason={(rule, text) => happened({ type: 'reason', rule, text })}
      done={sheet.done}
      choose={choose}
    />
  )
  if (sheet.done) return <Sheet left={left} right={<Loaded done={sheet.done} />} />
  const now = run ? stepNow(steps) : null
  const typing = now === 'written' && machine?.typed ? machine : null
  return (
    <Sheet
      left={left}
      right={
        <>
          {typing ? <h2 className="text-2xl font-bold">{say.figuresTyped(typing.name)}</h2> : props.figures}
          <UnderWay {...props} typing={typing} busy={busy} problem={problem} act={act} />
          <Cautions
            lines={
              now === 'written'
                ? CAUTIONS.slice(1)
                : [...(props.pocket === SPINDLE ? [BY_HAND] : []), ...(run ? CAUTIONS.slice(0, 1) : CAUTIONS)]
            }
          />
          <div className="mt-auto">
            <Against {...props} problem={typing ? null : problem} />
            <Next {...props} sheet={sheet} happened={happened} busy={busy} act={act} />
            {machine && serial && !run && props.view && props.scans.every((s) => s.state === 'holds') && (
              <PocketChoice pockets={props.view.pockets} pocket={props.pocket} choose={choose} />
            )}
            <Elsewhere {...props} go={(change) => router.push(go(change))} />
          </div>
        </>
      }
    />
  )
}

/** The steps of a load under way, or the figures to type where the control takes no files. */
function UnderWay({
  run,
  runBy,
  machine,
  steps,
  typed,
  typeFigure,
  typing,
  busy,
  problem,
  act,
}: LoadStationProps & {
  readonly typing: LoadMachine | null
  readonly busy: boolean
  readonly problem: string | null
  readonly act: Run
}) {
  if (!run || !machine) return null
  return (
    <>
      <p className="text-soft mt-1 text-base">
        {say.startedBy(pocketText(run.pocket))} {runBy}
      </p>
      {typing ? (
        <TypedFigures
          machine={typing}
          figures={typed}
          busy={busy}
          problem={<Problem lead={say.notDone} text={problem} />}
          onRead={(register, value) => void act(() => typeFigure({ serial: run.serial, register, value }))}
        />
      ) : (
        <Steps steps={steps} />
      )}
    </>
  )
}

/** What speaks against it finally. */
function Against({ unreachable, differences, scans, findings, problem }: LoadStationProps & { readonly problem: string | null }) {
  return (
    <>
      {unreachable && (
        <Say tone="off" lead={say.theControlDoesNotAnswer} role="alert">
          {unreachable}
        </Say>
      )}
      {differences.map((text) => (
        <Say key={text} tone="off" lead={say.recordAndControlDiffer} role="alert">
          {text}
        </Say>
      ))}
      <Problem lead={say.notLoaded} text={problem ?? (unreachable ? null : (refusedOf({ scans, findings })?.text ?? null))} />
    </>
  )
}

/** The one thing to do next. */
function Next({
  sheet,
  happened,
  busy,
  act,
  ...props
}: LoadStationProps & {
  readonly sheet: LoadSheet
  readonly happened: (event: LoadEvent) => void
  readonly busy: boolean
  readonly act: Run
}) {
  const { machine, serial, label, pocket, scans, findings, run } = props
  const big = loadBig(sheet, {
    machine: machine !== null,
    serial: serial !== null,
    scans,
    findings,
    pocket,
    running: run !== null,
  })
  const begin = (at: number) =>
    machine &&
    serial &&
    act(
      async () => {
        const begun = await props.begin({
          machine: machine.key,
          serial,
          label: label ?? undefined,
          pocket: at,
          reasons: reasonsGiven(sheet),
        })
        if (!begun.ok || begun.value.pocket === SPINDLE || machine.typed) return begun
        const turned = await props.turn({ serial })
        return turned.ok ? begun : turned
      },
      () => happened({ type: 'begun' }),
    )
  const finish = () =>
    machine &&
    serial &&
    act(
      () => props.load({ serial }),
      (loaded) => happened({ type: 'loaded', done: { ...loaded, machine } }),
    )
  if (big.type === 'step' && machine && serial)
    return <NextStep {...props} machine={machine} serial={serial} busy={busy} act={act} finish={() => void finish()} />
  if (big.type === 'begin' && machine)
    return <BeginStep machine={machine} pocket={big.pocket} busy={busy} begin={() => void begin(big.pocket)} />
  return <ScanAction>{big.type === 'scan' ? MISSING[big.what] : say.giveAReasonOnThe}</ScanAction>
}

/** Without a scanner at hand: the machine, or a load that somebody left. */
function Elsewhere({
  machine,
  machines,
  serial,
  underWay,
  go,
}: LoadStationProps & { readonly go: (change: Record<string, string>) => void }) {
  const router = useGo()
  if (!machine)
    return (
      <SmallActions>
        {machines.map(({ key, name }) => (
          <SmallAction key={key} onAct={() => go({ machine: key })}>
            {name}
          </SmallAction>
        ))}
      </SmallActions>
    )
  if (serial || underWay.length === 0) return null
  return (
    <SmallActions>
      {underWay.map((u) => (
        <SmallAction key={u.serial} onAct={() => router.push(`/load?serial=${u.serial}`)}>
          {say.goOnWithT(u.t, pocketText(u.pocket))}
        </SmallAction>
      ))}
    </SmallActions>
  )
}
