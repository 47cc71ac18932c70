'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { advise, benchFor, judgeTool, type FeatureKey, type LimitSet, type ToolMade } from '@/core/judge'
import type { SetMeasurement } from '@/core/sets'
import { adviceText, runoutText } from '@/words/measure'
import type { Heat } from '@/core/tool'
import { formatDeviation, type Result } from '@/core/units'
import type { OpenTool } from '@/workers/bench.worker'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Cautions, Say, Sheet, Title } from '../common/sheet'
import { useShell, useUnsaved, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { formatSeconds } from '../format/due'
import { AdjustLive } from './adjust-live'
import { EdgeRibbon } from './edge-ribbon'
import { FeatureRows } from './feature-rows'
import { LivePicture } from './live-picture'
import { Overrule } from './overrule'
import { useBench, type BenchState } from './use-bench'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import type * as standIn from '@/stations/stand-in/contract'
import type { Saved } from '@/stations/measure/contract'
import { verdictText } from '@/words/verdict'
import { say } from '@/words/screens/measure'

export interface MeasureProps {
  readonly serial: string
  readonly title: string
  readonly about: string
  readonly forMachine: string | null
  readonly due: { readonly text: string; readonly late: boolean }
  readonly tool: OpenTool
  readonly limits: LimitSet
  /** The measuring program in force; null for a tool without a definition. */
  readonly program: { readonly version: number | null } | null
  /** The job that is measured tool after tool, and what comes next in it. */
  readonly kit: { readonly job: string; readonly next: NextTool | null } | null
  readonly made: ToolMade
  readonly guardSigmas: number
  readonly heat: Heat | null
  /** The tool room's time when the sheet was opened. */
  readonly now: string
  readonly before: Readonly<Partial<Record<FeatureKey, number | null>>> | null
  /** The check of the bench whose zero the pictures are placed with. */
  readonly checkId: number | null
  /** Why nothing may be measured now. */
  readonly held: { readonly text: string; readonly adapter: boolean } | null
  /** A lead's reason for going on without the check. */
  readonly overruled: string | null
  /** Whether whoever works here is a lead. */
  readonly lead: boolean
  readonly overrule: Ask<typeof measure.overruleCheck>
  readonly turnScrew: Ask<typeof standIn.turnScrew>
  readonly wipe: Ask<typeof standIn.wipe>
}

interface NextTool {
  readonly serial: string
  readonly t: number | null
  readonly name: string
}

const CAUTIONS = [say.spindleAndCarriageMoveBy, say.cleanOnlyWithTheSpindle]

interface Problem {
  readonly code?: string
  readonly title?: string
  readonly detail?: string
}

/** The server measures the pictures again and answers what stands in the record now. */
async function save(
  serial: string,
  scanned: string,
  about: { readonly taken: string; readonly check: number | null; readonly program: number; readonly reason: string },
  zip: Uint8Array<ArrayBuffer>,
): Promise<Result<Saved, { readonly code: string; readonly text: string }>> {
  const asked = new URLSearchParams({ scanned, taken: about.taken, program: String(about.program) })
  if (about.check !== null) asked.set('check', String(about.check))
  if (about.reason) asked.set('reason', about.reason)
  try {
    const response = await fetch(`/api/assemblies/${encodeURIComponent(serial)}/measurements?${asked.toString()}`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: zip,
    })
    if (response.ok) return { ok: true, value: (await response.json()) as Saved }
    const problem = (await response.json().catch(() => ({}))) as Problem
    return { ok: false, error: { code: problem.code ?? '', text: problem.detail ?? problem.title ?? say.itCouldNotBeSaved } }
  } catch {
    return {
      ok: false,
      error: {
        code: 'OFFLINE',
        text: say.noAnswerFromTheTool,
      },
    }
  }
}

function busyText(state: BenchState): string {
  if (state.type === 'opening') return say.movingToTheTool
  if (state.type !== 'running') return say.cleaning
  return state.edge ? say.edgeWhat(state.edge, state.of ? say.ofWhat(state.of) : '') : say.lookingForTheEdges
}

/** The edge whose value is the tool's: the longest, or the one farthest out. */
function farthestEdge(set: SetMeasurement, key: 'LF' | 'DC'): number {
  const value = (e: SetMeasurement['edges'][number]) => (key === 'LF' ? e.z : e.x)?.value ?? -Infinity
  return set.edges.reduce((a, b) => (value(b) > value(a) ? b : a)).edge
}

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

export function MeasureStation(props: MeasureProps) {
  const { serial, limits, heat, before } = props
  const now = useNow(props.now, heat !== null)
  const { unit } = useShell()
  const router = useRouter()
  const bench = useBench(props.tool)
  const [note, setNote] = useState<string | null>(null)
  const { state, proposal, shown } = bench
  const [wiping, setWiping] = useState(false)
  const [jump, setJump] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const [saving, setSaving] = useState<string | null>(null)
  useUnsaved(proposal && saving === null ? say.thisMeasurement : null)
  const held = props.held !== null
  const [adjusting, setAdjusting] = useState<'LF' | 'DC' | null>(null)
  const running = wiping || state.type === 'running' || state.type === 'opening'
  // by the clock of the room, whatever this terminal's own one says
  const [aheadMs] = useState(() => Date.parse(now) - Date.now())
  const takenAt = bench.takenMs === null ? null : new Date(bench.takenMs + aheadMs).toISOString()
  const result = useMemo(
    () =>
      proposal && takenAt ? judgeTool(proposal.set, limits, benchFor(heat, takenAt, props.guardSigmas), proposal.steps) : null,
    [proposal, limits, heat, takenAt, props.guardSigmas],
  )
  const warmMm = benchFor(heat, now).warmMm
  const advice = proposal && result ? advise(proposal.set, result, props.made) : null
  const advised = advice && adviceText(advice, unit)
  const dirty = [proposal?.set, ...(proposal?.steps.map((s) => s.set) ?? [])]
    .flatMap((set) => set?.warnings ?? [])
    .find((w) => w.warning.code === 'DEBRIS')

  // what a hand can set: what is off or unsure before what holds, the length before the diameter
  const judged = (['LF', 'DC'] as const).flatMap(
    (key) => result?.features.find((f) => f.key === key && f.step === null && f.limits) ?? [],
  )
  const settable = (judged.find((f) => f.verdict !== 'holds') ?? judged[0])?.key as 'LF' | 'DC' | undefined

  useMarks(async (scanned): Promise<ScanSaid | null> => {
    if (!proposal || running) return scanned === serial ? { title: serial, text: say.isOnTheSpindleMeasure, tone: 'todo' } : null
    const refuse = (text: string): ScanSaid => {
      setNote(text)
      return { title: scanned, text, tone: 'off' }
    }
    if (scanned !== serial) return refuse(say.wasScannedIsOnThe(scanned, serial))
    setSaving(say.preparingThePictures)
    const zip = await bench.pack()
    setSaving(say.measuringThePicturesOnThe)
    const about = {
      taken: takenAt ?? now,
      check: props.checkId,
      program: props.program?.version ?? 0,
      reason: jump ? reason.trim() : '',
    }
    const done = zip ? await save(serial, scanned, about, zip) : null
    setSaving(null)
    if (!done) return refuse(say.thereAreNoPicturesTo)
    if (!done.ok) {
      if (done.error.code === 'JUMP') setJump(done.error.text)
      return refuse(done.error.text)
    }
    router.refresh()
    const { verdict, kept } = done.value
    return {
      title: serial,
      text: kept ? say.savedTheSameWithinUncertainty : `saved: ${verdict === null ? say.notJudged : verdictText(verdict)}`,
      tone: verdict === 'holds' ? 'holds' : verdict === 'off' ? 'off' : 'todo',
      href: props.kit
        ? `/measure/kit/${encodeURIComponent(props.kit.job)}`
        : verdict === 'off' || kept
          ? `/tools/${serial}`
          : `/hand-over/${serial}`,
    }
  })

  const wipe = async (edge: number | null) => {
    if (running) return
    setNote(null)
    setWiping(true)
    const spindleDeg = edge === null ? undefined : proposal?.angles[edge - 1]
    const done = await props.wipe({ serial, at: spindleDeg === undefined || edge === null ? null : { edge, spindleDeg } })
    if (done.ok) {
      await bench.refresh(done.value.ticket)
      // a warm tool has become shorter since the other edges were measured
      if (edge !== null && warmMm === 0) await bench.measureOne(edge)
      else await bench.measureAll()
    } else setNote(done.error.text)
    setWiping(false)
  }

  return (
    <Sheet
      left={
        <>
          <Title lead={props.title}>
            {props.about}
            {props.forMachine && (
              <>
                {' '}
                {say.forWord} <b className="text-ink">{props.forMachine}</b>
              </>
            )}{' '}
            · <span className={props.due.late ? 'text-off font-bold' : ''}>{props.due.text}</span>
          </Title>
          <LivePicture
            shown={shown}
            edges={proposal?.angles.length ?? props.tool.edges}
            unit={unit}
            move={running || held ? undefined : (byU, byV, byDeg) => void bench.move(byU, byV, byDeg)}
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
              setAdjusting(null)
              void bench.measureAll()
            }}
          />
        ) : (
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
            <div className="mt-auto pt-1">
              {warmMm > 0 && heat && (
                <Say tone="unsure" lead={say.stillWarmItReadsUp(formatDeviation(warmMm, unit))}>
                  {say.thisIsIncludedInThe(
                    heat.measureAt > now
                      ? say.coldEnoughInComputed(formatSeconds((Date.parse(heat.measureAt) - Date.parse(now)) / 1000))
                      : say.nearlyCold,
                  )}
                </Say>
              )}
              {props.held && (
                <Say tone="off" lead={say.measuringIsStopped} role="alert">
                  {props.held.text}
                </Say>
              )}
              {props.overruled && (
                <Say tone="unsure" lead={say.measuredWithoutTheMasterCheck}>
                  {say.leadApproval(props.overruled)}
                </Say>
              )}
              {note && (
                <Say tone={jump ? 'unsure' : 'off'} lead={say.notSaved} role="alert">
                  {note}
                </Say>
              )}
              {jump && (
                <label className="mb-2.5 block text-lg font-semibold">
                  {say.whyItChanged}
                  <input
                    className={FIELD}
                    value={reason}
                    placeholder={say.regroundAdjustedDropped}
                    onChange={(e) => setReason(e.target.value)}
                  />
                </label>
              )}
              {props.held && !props.held.adapter && props.lead && <Overrule overrule={props.overrule} />}
              {proposal?.seen && props.tool.edges && proposal.seen !== props.tool.edges && !running ? (
                <Say tone="unsure" lead={say.aTurnShowsEdgesNot(proposal.seen, props.tool.edges)}>
                  {say.checkThatThisIsThe}
                </Say>
              ) : null}
              {state.type === 'failed' ? (
                <Say tone="off" lead={say.nothingMeasured} role="alert">
                  {state.text}
                </Say>
              ) : (
                !note &&
                advice &&
                advised &&
                !running && (
                  <Say tone={advice.tone} lead={advised.lead} role="status">
                    {advised.rest} {result?.verdict === 'off' && !dirty && say.scanningSavesItAsOut}
                  </Say>
                )
              )}
              {held ? (
                <BigAction onAct={() => router.push('/measure/masters')}>{say.goToTheMasterCheck}</BigAction>
              ) : saving !== null ? (
                <BigAction onAct={() => undefined} disabled>
                  {saving}
                </BigAction>
              ) : running ? (
                <BigAction onAct={() => undefined} disabled>
                  {busyText(state)}
                </BigAction>
              ) : dirty ? (
                <BigAction onAct={() => void wipe(dirty.edge)}>{say.cleanEdgeAndMeasureIt(dirty.edge)}</BigAction>
              ) : proposal && result?.verdict === 'off' ? (
                <BigAction onAct={() => void bench.measureAll()}>{say.correctItAndMeasureAgain}</BigAction>
              ) : proposal ? (
                <ScanAction>{say.scanToSave(serial)}</ScanAction>
              ) : (
                <BigAction onAct={() => void bench.measureAll()}>{say.measureAllEdges}</BigAction>
              )}
              {!proposal && !running && (
                <SmallActions>
                  <SmallAction href={`/measure/${serial}/figures`}>{say.typeInValues}</SmallAction>
                  {props.program && <SmallAction href={`/measure/${serial}/program`}>{say.itsRoutine}</SmallAction>}
                </SmallActions>
              )}
              {proposal && !running && !held && (
                <SmallActions>
                  {result?.verdict !== 'off' && (
                    <SmallAction onAct={() => void bench.measureAll()}>{say.measureAllAgain}</SmallAction>
                  )}
                  {settable && <SmallAction onAct={() => setAdjusting(settable)}>{say.adjustWithLiveReading}</SmallAction>}
                  {props.program?.version === null && result?.verdict === 'holds' && !dirty ? (
                    <SmallAction href={`/measure/${serial}/program`}>{say.saveRoutine}</SmallAction>
                  ) : (
                    <SmallAction onAct={() => void wipe(null)}>{say.cleanAllAndMeasureAgain}</SmallAction>
                  )}
                </SmallActions>
              )}
            </div>
          </>
        )
      }
    />
  )
}
