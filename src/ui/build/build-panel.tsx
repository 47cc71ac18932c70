'use client'
import { Check } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'
import type { Step } from '@/core/fits'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { HeatPanel } from './heat-panel'
import type { AskUnit } from './unit-panel'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'
import { say } from '@/words/screens/build'

export interface BuildActions {
  readonly begin: Ask<typeof build.beginBuild>
  readonly finish: Ask<typeof build.finishBuild>
  readonly tick: Ask<typeof build.tickStep>
  readonly extension: Ask<typeof build.addExtension>
  readonly heat: Ask<typeof build.startHeat>
  readonly cool: Ask<typeof build.coolDown>
  readonly shrinkByHand: Ask<typeof build.shrinkByHand>
  readonly takeOut: Ask<typeof build.takeOut>
  readonly abandon: Ask<typeof build.abandonBuild>
  readonly unit: AskUnit
}

export interface StepView extends Pick<Step, 'id' | 'title' | 'confirm' | 'needs' | 'caution'> {
  readonly text: string
  /** Ids to tick: one, or one a pocket. */
  readonly ticks: readonly string[]
}

export interface BuildPanelProps {
  readonly job: string
  readonly t: number
  readonly steps: readonly StepView[]
  /** The holder this tool is being built on, and what was done on it. */
  readonly build: {
    readonly serial: string
    readonly who: string
    readonly done: readonly string[]
    readonly extensions: Readonly<Record<string, string>>
  } | null
  readonly wantedExtensions: readonly { readonly component: string; readonly name: string }[]
  /** What the tool is made of, and where it is in the store. */
  readonly parts: readonly { readonly component: string; readonly name: string; readonly places: readonly string[] }[]
  readonly free: readonly string[]
  readonly blocked: readonly string[]
  /** null where nothing is shrunk. */
  readonly shrink: { readonly coil: string; readonly seconds: number; readonly leastC: number } | null
  readonly greatestC: number | null
  readonly act: BuildActions
}

/** The steps of the clamping at hand; a scan of the holder begins, a second one after the last step says it is built. */
export function BuildPanel(props: BuildPanelProps) {
  const { job, t, steps, build, parts, free, blocked, shrink, act, wantedExtensions } = props
  const { busy, problem, run, setProblem } = useAct()
  const router = useRouter()
  const done = (step: StepView) => step.ticks.every((id) => build?.done.includes(id))
  const next = build ? steps.find((step) => !done(step)) : undefined

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
        {build && next && (next.confirm === 'tick' || next.confirm === 'coil') ? (
          <BigAction disabled={busy} onAct={() => tick(next.ticks[0], true)}>
            {next.confirm === 'coil' ? say.coilPositionOk : say.doneTitle(next.title)}
          </BigAction>
        ) : build && next?.confirm === 'seats' ? (
          <BigAction disabled={busy} onAct={() => tick(next.ticks.find((id) => !build.done.includes(id)) ?? next.ticks[0], true)}>
            {say.pocketOfDone(next.ticks.findIndex((id) => !build.done.includes(id)) + 1, next.ticks.length)}
          </BigAction>
        ) : !build || !next ? (
          <ScanAction>{build ? say.builtScan(build.serial) : say.scanTheHolder}</ScanAction>
        ) : null}
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
    </>
  )
}

function Begin({ free }: { readonly free: readonly string[] }) {
  return free.length ? (
    <Say tone="todo" lead={say.scanAFreeHolderTo}>
      {say.freeOfThisType(free.slice(0, 4).join(', '), free.length > 4 ? say.andMore(free.length - 4) : '')}
    </Say>
  ) : (
    <Say tone="unsure" lead={say.noHolderOfThisType}>
      {say.takeApartAToolThat}
    </Say>
  )
}

function StepLine({
  step,
  number,
  isNext,
  done,
  on,
  tick,
}: {
  readonly step: StepView
  readonly number: number
  readonly isNext: boolean
  readonly done: readonly string[]
  readonly on: boolean
  readonly tick: (id: string, on: boolean) => void
}) {
  const all = step.ticks.every((id) => done.includes(id))
  const byHand = step.confirm !== 'heat' && step.confirm !== 'cool'
  const line = useRef<HTMLLIElement>(null)
  useEffect(() => {
    if (isNext) line.current?.scrollIntoView({ block: 'nearest' })
  }, [isNext])
  return (
    <li ref={line} className={`border-rule border-b px-1 py-1.5 ${isNext ? 'bg-ground' : ''}`}>
      <div className="flex items-center gap-2">
        <span className="figures text-soft w-5 shrink-0 text-lg">{number}</span>
        <b className="font-head text-[19px]">{step.title}</b>
        <span className="ml-auto flex flex-wrap justify-end gap-1.5">
          {step.ticks.map((id, i) => (
            <button
              key={id}
              type="button"
              disabled={!on || !byHand}
              aria-pressed={done.includes(id)}
              aria-label={step.ticks.length > 1 ? say.pocketNumber(i + 1) : step.title}
              className={`font-head flex size-11 items-center justify-center rounded-[3px] border-[1.5px] text-lg font-semibold ${done.includes(id) ? 'bg-holds text-paper border-holds' : 'border-stone'} disabled:border-rule`}
              onClick={() => tick(id, !done.includes(id))}
            >
              {done.includes(id) ? <Check size={22} aria-hidden="true" /> : step.ticks.length > 1 ? i + 1 : ''}
            </button>
          ))}
        </span>
      </div>
      {(isNext || !on || !all) && (
        <div className={`pl-7 leading-snug ${isNext || !on ? '' : 'text-soft'}`}>
          {step.text}
          {isNext && step.needs && <span className="text-soft block text-[15px]">{say.atHand(step.needs.join(', '))}</span>}
          {isNext && step.caution && <span className="text-unsure block text-[15px] font-semibold">△ {step.caution}</span>}
        </div>
      )}
    </li>
  )
}
