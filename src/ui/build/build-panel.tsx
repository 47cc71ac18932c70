'use client'
import { useGo } from '../common/going'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import { useAct, type Run } from '../common/use-act'
import type { ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { HeatPanel } from './heat-panel'
import { buildBig, stepDue, type BuildBig } from './machine'
import { say } from '@/words/screens/build'
import { Begin, StepLine } from './build-steps'
import type { BuildPanelProps } from './build-props'

/** The steps of the clamping at hand; a scan of the holder begins, a second one after the last step says it is built. */
export function BuildPanel(props: BuildPanelProps) {
  const { steps, build, shrink, act, wantedExtensions } = props
  const { busy, problem, run, setProblem } = useAct()
  const next = stepDue(steps, build)

  useBuildScans(props, setProblem)
  const tick = (step: string, on: boolean) => build && void run(() => act.tick({ serial: build.serial, step, done: on }))
  return (
    <>
      <h2 className="text-2xl font-bold">
        {say.steps}{' '}
        <span className="text-soft font-medium">{build ? say.onStartedBy(build.serial, build.who) : say.ofThisClamping}</span>
      </h2>
      <ol className="min-h-[150px] flex-1 overflow-auto" tabIndex={0} aria-label={say.steps}>
        {wantedExtensions.map(({ component, name }) => (
          <li key={component} className="border-rule border-b py-2">
            <b className="font-head">{say.extension}</b> {name}:{' '}
            {build?.extensions[component] ? (
              <b>● {build.extensions[component]}</b>
            ) : (
              <b className="text-act">{say.scanTheOneYouTake}</b>
            )}
          </li>
        ))}
        {steps.map((step, i) => (
          <StepLine
            key={step.id}
            step={step}
            number={i + 1}
            isNext={step === next}
            done={build?.done ?? []}
            on={build !== null}
            tick={tick}
          />
        ))}
      </ol>
      {shrink && build && (
        <HeatPanel
          serial={build.serial}
          due={next?.confirm === 'heat' || next?.confirm === 'cool' ? next.confirm : null}
          out={false}
          coil={shrink.coil}
          seconds={shrink.seconds}
          greatestC={props.greatestC}
          leastC={shrink.leastC}
          act={{ ...act, byHand: act.shrinkByHand }}
        />
      )}
      <Foot {...props} big={buildBig(steps, build)} problem={problem} busy={busy} tick={tick} run={run} />
    </>
  )
}

/** A scan begins a build, takes an extension, or says that it is built; other marks are told. */
function useBuildScans(
  { job, t, build, parts, act, wantedExtensions }: BuildPanelProps,
  setProblem: (text: string | null) => void,
): void {
  const otherScan = (kind: 'part' | 'place', id: string, said: ScanSaid): ScanSaid => {
    const own = parts.find((p) => (kind === 'part' ? p.component === id : p.places.includes(id)))
    if (own) return { title: id, text: say.belongsToT(own.name, t), tone: 'holds' }
    const text =
      kind === 'part' ? say.wrongPartForTIt(t, said.text, parts.map((p) => p.name).join(', ')) : say.wrongPlaceForTNothing(t, id)
    setProblem(text)
    return { title: id, text, tone: 'off' }
  }

  useMarks(
    async (serial): Promise<ScanSaid | null> => {
      const refuse = (text: string): ScanSaid => {
        setProblem(text)
        return { title: serial, text, tone: 'off' }
      }
      if (build && serial === build.serial) {
        const built = await act.finish({ serial })
        if (!built.ok) return refuse(built.error.text)
        return {
          title: serial,
          text: say.tIsBuiltScanIt(t),
          tone: 'holds',
          href: `/tools/${serial}`,
        }
      }
      if (build && wantedExtensions.length) {
        const taken = await act.extension({ serial: build.serial, extension: serial })
        if (!taken.ok) return refuse(taken.error.text)
        setProblem(null)
        return { title: serial, text: say.goesBetween, tone: 'holds' }
      }
      if (build) return refuse(say.tIsBeingBuiltOn(t, build.serial))
      const begun = await act.begin({ job, t, serial })
      if (!begun.ok) return refuse(begun.error.text)
      setProblem(null)
      return {
        title: serial,
        text: say.tIsStartedOnIt(t),
        tone: 'holds',
        href: `/build?job=${encodeURIComponent(job)}&t=${t}&serial=${serial}`,
      }
    },
    (kind, id, said) => otherScan(kind, id, said),
  )
}

/** What speaks against it, and what comes next. */
function Foot({
  build,
  blocked,
  free,
  act,
  job,
  t,
  big,
  problem,
  busy,
  tick,
  run,
}: BuildPanelProps & {
  readonly big: BuildBig
  readonly problem: string | null
  readonly busy: boolean
  readonly tick: (step: string, on: boolean) => void
  readonly run: Run
}) {
  const router = useGo()
  return (
    <div className="mt-2">
      {problem ? (
        <Say tone="off" lead={build ? say.notYet : say.notWithThisHolder} role="alert">
          {problem}
        </Say>
      ) : blocked.length && !build ? (
        <Say tone="off" lead={say.thisToolCannotBeBuilt}>
          {blocked.slice(0, 2).join(' ')}
        </Say>
      ) : !build ? (
        <Begin free={free} />
      ) : null}
      <Big big={big} serial={build?.serial ?? ''} busy={busy} tick={tick} />
      {build && (
        <SmallActions>
          <SmallAction
            onAct={() =>
              void run(
                () => act.abandon({ serial: build.serial }),
                () => router.push(`/build?job=${encodeURIComponent(job)}&t=${t}`),
              )
            }
          >
            {say.cancelBuild}
          </SmallAction>
        </SmallActions>
      )}
    </div>
  )
}

function Big({
  big,
  serial,
  busy,
  tick,
}: {
  readonly big: BuildBig
  readonly serial: string
  readonly busy: boolean
  readonly tick: (step: string, on: boolean) => void
}) {
  switch (big.type) {
    case 'scan holder':
      return <ScanAction>{say.scanTheHolder}</ScanAction>
    case 'scan built':
      return <ScanAction>{say.builtScan(serial)}</ScanAction>
    case 'tick':
      return (
        <BigAction disabled={busy} onAct={() => tick(big.id, true)}>
          {big.step.confirm === 'coil' ? say.coilPositionOk : say.doneTitle(big.step.title)}
        </BigAction>
      )
    case 'seat':
      return (
        <BigAction disabled={busy} onAct={() => tick(big.id, true)}>
          {say.pocketOfDone(big.seat, big.of)}
        </BigAction>
      )
    case 'unit':
      return null
  }
}
