'use client'
import { useGo } from '../common/going'
import { useEffect, useMemo, useReducer, useState } from 'react'
import { belowTip, caseOf, causesOf, nextSteps } from '@/core/causes'
import { advise, benchFor, judgeTool, type ToolResult } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { runoutText } from '@/words/measure'
import { verdictText } from '@/words/verdict'
import { say } from '@/words/screens/measure'
import { Sheet, Title } from '../common/sheet'
import { useShell, useUnsaved, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { AdjustLive } from './adjust-live'
import { EdgeRibbon } from './edge-ribbon'
import { LivePicture } from './live-picture'
import { AT_REST, measureSheet, type MeasureEvent, type MeasureSheet } from './machine'
import type { MeasureProps } from './measure-props'
import type { Proposal } from '@/workers/bench.worker'
import { MeasureRight, type Wrong } from './measure-right'
import { savePictures } from './save-pictures'
import { useBench } from './use-bench'

/** The tool room's time, going on from when the sheet was opened. */
function useNow(opened: string, going: boolean): string {
  const [now, setNow] = useState(opened)
  useEffect(() => {
    if (!going) return
    const start = performance.now()
    const timer = setInterval(() => setNow(new Date(Date.parse(opened) + performance.now() - start).toISOString()), 1000)
    return () => clearInterval(timer)
  }, [opened, going])
  return now
}

/** The bench with what was measured on it: judged at the time when its pictures were taken. */
function useJudged(props: MeasureProps, now: string) {
  const bench = useBench(props.tool)
  const { proposal, takenMs } = bench
  const { limits, heat, guardSigmas, stepped } = props
  // by the clock of the room, whatever this terminal's own one says
  const [aheadMs] = useState(() => Date.parse(now) - Date.now())
  const takenAt = takenMs === null ? null : new Date(takenMs + aheadMs).toISOString()
  const result = useMemo(
    () =>
      proposal && takenAt ? judgeTool(proposal.set, limits, benchFor(heat, takenAt, guardSigmas), proposal.steps, stepped) : null,
    [proposal, stepped, limits, heat, takenAt, guardSigmas],
  )
  const dirty = [proposal?.set, ...(proposal?.steps.map((s) => s.set) ?? [])]
    .flatMap((set) => set?.warnings ?? [])
    .find((w) => w.warning.code === 'DEBRIS')
  return { bench, takenAt, result, dirtyEdge: dirty?.edge ?? null }
}

/** What is most likely wrong with a tool that is not in tolerance; null where it is, or nobody can say. */
function useWrong(
  { known, limits, tool }: MeasureProps,
  proposal: Proposal | null,
  result: ToolResult | null,
  takenAt: string | null,
): Wrong | null {
  const bad = result !== null && result.verdict !== null && result.verdict !== 'holds' && result.missing.length === 0
  return useMemo(() => {
    if (!bad || !proposal || !known || !takenAt) return null
    const { set, steps } = proposal
    const below = belowTip(
      tool.steps,
      steps.map((step) => ({ name: step.name, edges: step.set.edges })),
    )
    const given = caseOf(set.edges, limits, known, takenAt, below)
    if (!given) return null
    const causes = causesOf(given, known.counts)
    return { causes, next: nextSteps(given, causes).at(0)?.code ?? null }
  }, [bad, proposal, known, limits, tool, takenAt])
}

/** The edge whose value is the tool's: the longest, or the one farthest out. */
function farthestEdge(set: SetMeasurement, key: 'LF' | 'DC'): number {
  const value = (e: SetMeasurement['edges'][number]) => (key === 'LF' ? e.z : e.x)?.value ?? -Infinity
  return set.edges.reduce((a, b) => (value(b) > value(a) ? b : a)).edge
}

/** What a hand can set: what is off or unsure before what holds, the length before the diameter. */
function settableOf(result: ToolResult | null): 'LF' | 'DC' | null {
  const judged = (['LF', 'DC'] as const).flatMap(
    (key) => result?.features.find((f) => f.key === key && f.step === null && f.limits) ?? [],
  )
  return ((judged.find((f) => f.verdict !== 'holds') ?? judged[0])?.key as 'LF' | 'DC' | undefined) ?? null
}

/** The scan of the tool's holder saves what was measured; another mark is refused. */
function useSaveByScan(
  { serial, checkId, program, kit }: MeasureProps,
  {
    bench,
    takenAt,
    moving,
    sheet,
    happened,
  }: {
    readonly bench: ReturnType<typeof useBench>
    readonly takenAt: string
    readonly moving: boolean
    readonly sheet: MeasureSheet
    readonly happened: (event: MeasureEvent) => void
  },
): void {
  const router = useGo()
  const { proposal } = bench
  useMarks(async (scanned): Promise<ScanSaid | null> => {
    if (!proposal || moving) return scanned === serial ? { title: serial, text: say.isOnTheSpindleMeasure, tone: 'todo' } : null
    const refuse = (text: string, jump = false): ScanSaid => {
      happened({ type: 'refused', text, jump })
      return { title: scanned, text, tone: 'off' }
    }
    if (scanned !== serial) return refuse(say.wasScannedIsOnThe(scanned, serial))
    happened({ type: 'saving', part: 'packing' })
    const zip = await bench.pack()
    if (!zip) return refuse(say.thereAreNoPicturesTo)
    happened({ type: 'saving', part: 'measuring' })
    const about = {
      taken: takenAt,
      check: checkId,
      program: program?.version ?? 0,
      reason: sheet.jumped ? sheet.reason.trim() : '',
    }
    const done = await savePictures(serial, scanned, about, zip)
    if (!done.ok) return refuse(done.error.text, done.error.code === 'JUMP')
    happened({ type: 'saved' })
    router.refresh()
    const { verdict, kept } = done.value
    return {
      title: serial,
      text: kept ? say.savedTheSameWithinUncertainty : say.savedAs(verdict === null ? say.notJudged : verdictText(verdict)),
      tone: verdict === 'holds' ? 'holds' : verdict === 'off' ? 'off' : 'todo',
      href: kit
        ? `/measure/kit/${encodeURIComponent(kit.job)}`
        : verdict === 'off' || kept
          ? `/tools/${serial}`
          : `/hand-over/${serial}`,
    }
  })
}

/** A tool on the spindle: its edges are found, measured and judged; the scan of its holder saves them. */
// eslint-disable-next-line max-lines-per-function -- joins bench, sheet and scans; what it shows are components already
export function MeasureStation(props: MeasureProps) {
  const { serial, limits } = props
  const { unit } = useShell()
  const now = useNow(props.now, props.heat !== null)
  const { bench, takenAt, result, dirtyEdge } = useJudged(props, now)
  const wrong = useWrong(props, bench.proposal, result, takenAt)
  const { state, proposal, shown } = bench
  const [sheet, happened] = useReducer(measureSheet, AT_REST)
  useUnsaved(proposal && sheet.saving === null ? say.thisMeasurement : null)
  const moving = sheet.wiping || state.type === 'running' || state.type === 'opening'
  const warmMm = benchFor(props.heat, now).warmMm

  useSaveByScan(props, { bench, takenAt: takenAt ?? now, moving, sheet, happened })
  const wipe = async (edge: number | null) => {
    if (moving) return
    happened({ type: 'wiping' })
    const spindleDeg = edge === null ? undefined : proposal?.angles[edge - 1]
    const done = await props.wipe({ serial, at: spindleDeg === undefined || edge === null ? null : { edge, spindleDeg } })
    if (done.ok) {
      await bench.refresh(done.value.ticket)
      // a warm tool has become shorter since the other edges were measured
      if (edge !== null && warmMm === 0) await bench.measureOne(edge)
      else await bench.measureAll()
    }
    happened({ type: 'wiped', fault: done.ok ? null : done.error.text })
  }
  const { adjusting } = sheet

  return (
    <Sheet
      left={
        <>
          <Heading {...props} />
          <LivePicture
            shown={shown}
            edges={proposal?.angles.length ?? props.tool.edges}
            unit={unit}
            move={moving || props.held ? undefined : (byU, byV, byDeg) => void bench.move(byU, byV, byDeg)}
          />
          <EdgeRibbon
            set={proposal?.set ?? null}
            count={props.tool.edges}
            unit={unit}
            runoutMax={limits.radialRunout?.max ?? null}
            lengthSpreadMax={limits.axialRunout?.max ?? null}
            current={shown?.edge ?? null}
            goTo={bench.goTo}
          />
          {result?.runout && (
            <p className="text-soft max-w-[676px] text-[15.5px] leading-snug" data-testid="runout">
              {runoutText(result.runout, proposal?.set.summary.LF ?? null, unit)}
            </p>
          )}
        </>
      }
      right={
        adjusting && proposal && result && limits[adjusting] ? (
          <AdjustLive
            key={adjusting}
            adjust={adjusting}
            edge={farthestEdge(proposal.set, adjusting)}
            limits={limits[adjusting]}
            sigmaMm={result.features.find((f) => f.key === adjusting)?.sigma ?? 0}
            watch={bench.watch}
            unwatch={bench.unwatch}
            refresh={bench.refresh}
            turn={(byMm) => props.turnScrew({ serial, key: adjusting, byMm })}
            done={() => {
              happened({ type: 'adjust', key: null })
              void bench.measureAll()
            }}
          />
        ) : (
          <MeasureRight
            {...props}
            time={now}
            warmMm={warmMm}
            sheet={sheet}
            state={state}
            moving={moving}
            proposal={proposal}
            result={result}
            advice={proposal && result ? advise(proposal.set, result, props.made) : null}
            wrong={wrong}
            dirtyEdge={dirtyEdge}
            settable={settableOf(result)}
            happened={happened}
            wipeEdge={(edge) => void wipe(edge)}
            measureAll={() => void bench.measureAll()}
          />
        )
      }
    />
  )
}

function Heading({ title, about, forMachine, due }: MeasureProps) {
  return (
    <Title lead={title}>
      {about}
      {forMachine && (
        <>
          {' '}
          {say.forWord} <b className="text-ink">{forMachine}</b>
        </>
      )}{' '}
      · <span className={due.late ? 'text-off font-bold' : ''}>{due.text}</span>
    </Title>
  )
}
