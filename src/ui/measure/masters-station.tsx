'use client'
import { format } from 'date-fns'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import {
  driftOf,
  judgeDrift,
  TOO_FAR_MM,
  type Adapter,
  type AdapterPiece,
  type Master,
  type Zero,
  type ZeroCheck,
} from '@/core/judge'
import { formatDeviation, formatLength, unitMark } from '@/core/units'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { FIELD } from '../common/form'
import { Cautions, Problem, Row, Say, Sheet, Title } from '../common/sheet'
import { MEASURE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import { DriftChart } from './drift-chart'
import { LivePicture } from './live-picture'
import { Again, NewAdapter, Renew } from './masters-forms'
import { Overrule } from './overrule'
import { useBench } from './use-bench'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

export interface MastersProps {
  readonly adapter: Adapter | null
  readonly master: Master | null
  readonly checks: readonly ZeroCheck[]
  readonly checkId: number | null
  readonly zero: Zero
  /** Why the check is due; null when it is not. */
  readonly due: string | null
  readonly overruled: string | null
  readonly lead: boolean
  /** The master on the spindle; null when none belongs to the adapter. */
  readonly ticket: string | null
  readonly now: string
  readonly adapters: readonly AdapterPiece[]
  /** Tools to measure again after a drift. */
  readonly again: readonly {
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly machine: string
    readonly loaded: boolean
  }[]
  readonly changeAdapter: Ask<typeof measure.changeAdapter>
  readonly addAdapter: Ask<typeof measure.addAdapter>
  readonly renew: Ask<typeof measure.renewMaster>
  readonly overrule: Ask<typeof measure.overruleCheck>
}

/** Checks of this adapter that the chart shows. */
const DRAWN = 24

const TONE = { first: 'todo', still: 'holds', drifted: 'unsure', 'too far': 'off' } as const
const SAYS = {
  first: [say.firstCheckOfThisAdapter, say.itSetsTheZeroOf],
  still: [say.normalThermalDrift, say.scanTheMasterToSave],
  drifted: [say.theZeroHasDrifted, say.savingCorrectsEveryValueFrom],
  'too far': [say.thisIsMoreThanThermal, say.cleanSpindleAdapterAndMaster],
} as const

/** The adapter on the spindle, its master, and what the checks found. */
export function MastersStation(props: MastersProps) {
  const { adapter, master, checks } = props
  const { unit } = useShell()
  const { busy, problem, run } = useAct()
  const drawn = useMemo(() => checks.filter((c) => c.adapter === adapter?.serial).slice(-DRAWN), [checks, adapter])
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={MEASURE_TABS} label={say.sheetsOfTheBench} />
          <Title lead={say.masters}>{say.driftAtEachCheckDotted}</Title>
          <Again tools={props.again} />
          {drawn.length ? <DriftChart checks={drawn} /> : <p className="text-soft text-lg">{say.noCheckYet}</p>}
          <div className="min-h-[120px] overflow-auto" tabIndex={0} role="region" aria-label={say.checks}>
            <table className="w-full text-lg">
              <thead className="text-soft text-left text-base">
                <tr className="border-rule border-b">
                  <th className="py-1 font-semibold">{say.when}</th>
                  <th className="font-semibold">{say.who}</th>
                  <th className="font-semibold">{say.master}</th>
                  <th className="text-right font-semibold">{say.lengthTitle}</th>
                  <th className="pl-4 text-right font-semibold">{say.radiusTitle}</th>
                </tr>
              </thead>
              <tbody className="figures">
                {[...checks].reverse().map((c) => (
                  <tr key={c.id} className="border-rule border-b">
                    <td className="py-1">{format(new Date(c.at), 'd MMM HH:mm')}</td>
                    <td>{c.who}</td>
                    <td>
                      {c.adapter}
                      {c.reason && <small className="text-soft block">{c.reason}</small>}
                    </td>
                    <td className="text-right">{formatDeviation(c.drift.z, unit)}</td>
                    <td className="pl-4 text-right">{formatDeviation(c.drift.x, unit)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{adapter ? `${adapter.serial}, ${adapter.coupling}` : say.noAdapterChosen}</h2>
          <label className="mt-1 block text-base font-semibold">
            {say.onTheSpindle}
            <select
              className={FIELD}
              value={adapter?.serial ?? ''}
              disabled={busy}
              onChange={(e) => void run(() => props.changeAdapter({ serial: e.target.value }))}
            >
              {!adapter && <option value="">{say.scanOrChooseTheAdapter}</option>}
              {props.adapters.map((a) => (
                <option key={a.serial} value={a.serial}>
                  {a.serial}, {a.coupling}
                </option>
              ))}
            </select>
          </label>
          <Problem lead={say.notChanged} text={problem} />
          {props.lead && <NewAdapter add={props.addAdapter} />}
          {master ? (
            <>
              <Row name={master.name}>{master.mark}</Row>
              <Row name={say.lengthTitle} symbol="certificate">
                {formatLength(master.LFmm, unit)} {unitMark(unit)}
              </Row>
              <Row name={say.diameterTitle} symbol="certificate">
                {formatLength(master.DCmm, unit)} {unitMark(unit)}
              </Row>
              <Row name={say.certificateUntil}>
                <span className={master.calibratedUntil < props.now.slice(0, 10) ? 'text-off' : ''}>
                  {format(new Date(master.calibratedUntil), 'd MMM yyyy')}
                </span>
              </Row>
              <Renew master={master} lead={props.lead} renew={props.renew} />
              {props.ticket && <CheckRun {...props} master={master} ticket={props.ticket} />}
            </>
          ) : (
            <Say tone="off" lead={say.noMasterBelongsToThis}>
              {say.changeTheAdapterOrAsk}
            </Say>
          )}
        </>
      }
    />
  )
}

async function send(
  scanned: string,
  checkId: number | null,
  reason: string,
  zip: Uint8Array<ArrayBuffer>,
): Promise<string | null> {
  const asked = new URLSearchParams({ scanned })
  if (checkId !== null) asked.set('check', String(checkId))
  if (reason) asked.set('reason', reason)
  try {
    const response = await fetch(`/api/bench/checks?${asked.toString()}`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: zip,
    })
    if (response.ok) return null
    const said = (await response.json().catch(() => ({}))) as { detail?: string; title?: string }
    return said.detail ?? said.title ?? say.theCheckCouldNotBe
  } catch {
    return say.noAnswerFromTheToolRoom
  }
}

/** Measures the master at two turns half a revolution apart, and says what it finds. */
function CheckRun({
  master,
  ticket,
  zero,
  checkId,
  due,
  overruled,
  lead,
  overrule,
  adapters,
  changeAdapter,
}: MastersProps & { readonly master: Master; readonly ticket: string }) {
  const { unit } = useShell()
  const router = useRouter()
  const bench = useBench({
    ticket,
    zero,
    hint: { x: master.DCmm / 2, z: master.LFmm },
    edges: 2,
    sweep: false,
    steps: [{ name: say.master, at: null, features: ['LF', 'DC'], limits: {} }],
  })
  const { state, proposal } = bench
  const [note, setNote] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const running = state.type === 'running' || state.type === 'opening'
  const drift = useMemo(() => {
    if (!proposal) return null
    const radii = proposal.set.edges.flatMap((e) => (e.x ? [e.x.value] : []))
    const { LF } = proposal.set.summary
    return radii.length === 2 && LF !== null ? driftOf(master, radii, LF) : null
  }, [proposal, master])
  const verdict = drift && judgeDrift(drift, checkId === null)

  useMarks(async (scanned): Promise<ScanSaid | null> => {
    if (adapters.some((a) => a.serial === scanned)) {
      const changed = await changeAdapter({ serial: scanned })
      if (!changed.ok) setNote(changed.error.text)
      return {
        title: scanned,
        text: changed.ok ? say.isOnTheSpindleMeasureIts : changed.error.text,
        tone: changed.ok ? 'todo' : 'off',
      }
    }
    if (!drift || running) return { title: scanned, text: say.measureItFirstThenScan, tone: 'todo' }
    const zip = await bench.pack()
    const refused = zip ? await send(scanned, checkId, reason.trim(), zip) : say.thereAreNoPicturesTo
    if (refused) {
      setNote(refused)
      return { title: scanned, text: refused, tone: 'off' }
    }
    router.refresh()
    return { title: scanned, text: say.checkSavedToolsMayBe, tone: 'holds', href: '/measure' }
  })

  return (
    <>
      <div className="mt-2.5 shrink-0">
        <LivePicture shown={bench.shown} edges={2} unit={unit} small />
      </div>
      <div className="mt-auto pt-1">
        {drift && verdict ? (
          <>
            <Row name={say.lengthReads}>{formatDeviation(drift.z, unit)}</Row>
            <Row name={say.radiusReads}>{formatDeviation(drift.x, unit)}</Row>
            <Say tone={TONE[verdict]} lead={SAYS[verdict][0]} role="status">
              {SAYS[verdict][1]}
            </Say>
            {verdict === 'too far' && lead && (
              <label className="mb-2.5 block text-lg font-semibold">
                {say.whyADriftOfMore(formatLength(TOO_FAR_MM, unit))}
                <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
              </label>
            )}
          </>
        ) : due ? (
          <Say tone={overruled ? 'unsure' : 'off'} lead={say.theCheckIsDue}>
            {due} {overruled ? say.leadApproval(overruled) : say.noToolCanBeMeasured}
          </Say>
        ) : (
          <Cautions lines={[say.cleanTheMasterAndClampIt]} />
        )}
        <Problem lead={say.notSaved} text={note} />
        {state.type === 'failed' && <Problem lead={say.nothingMeasured} text={state.text} />}
        {due && !overruled && lead && !drift && <Overrule overrule={overrule} />}
        {running ? (
          <BigAction onAct={() => undefined} disabled>
            {state.type === 'opening' ? say.movingToTheMaster : say.measuringTheMaster}
          </BigAction>
        ) : drift ? (
          <ScanAction>{say.scanToSaveMark(master.mark)}</ScanAction>
        ) : (
          <BigAction onAct={() => void bench.measureAll()}>{say.measureTheMaster}</BigAction>
        )}
        {drift && !running && (
          <SmallActions>
            <SmallAction onAct={() => void bench.measureAll()}>{say.measureItAgain}</SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}
