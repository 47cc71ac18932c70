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
  first: ['First check of this adapter.', 'It sets the zero of this adapter. Scan the master to save it.'],
  still: ['Normal thermal drift.', 'Scan the master to save the check.'],
  drifted: [
    'The zero has drifted.',
    'Saving corrects every value from now on, and checks what was measured before. Scan the master to save it.',
  ],
  'too far': [
    'This is more than thermal drift.',
    'Clean spindle, adapter and master, check that it is the right master, and measure again. A lead can accept it with a reason.',
  ],
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
          <SubNav tabs={MEASURE_TABS} label="Sheets of the bench" />
          <Title lead="Masters">drift at each check. Dotted lines: normal thermal drift</Title>
          <Again tools={props.again} />
          {drawn.length ? <DriftChart checks={drawn} /> : <p className="text-soft text-lg">No check yet.</p>}
          <div className="min-h-[120px] overflow-auto" tabIndex={0} role="region" aria-label="Checks">
            <table className="w-full text-lg">
              <thead className="text-soft text-left text-base">
                <tr className="border-rule border-b">
                  <th className="py-1 font-semibold">When</th>
                  <th className="font-semibold">Who</th>
                  <th className="font-semibold">Master</th>
                  <th className="text-right font-semibold">Length</th>
                  <th className="pl-4 text-right font-semibold">Radius</th>
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
          <h2 className="text-2xl font-bold">{adapter ? `${adapter.serial}, ${adapter.coupling}` : 'No adapter chosen'}</h2>
          <label className="mt-1 block text-base font-semibold">
            On the spindle
            <select
              className={FIELD}
              value={adapter?.serial ?? ''}
              disabled={busy}
              onChange={(e) => void run(() => props.changeAdapter({ serial: e.target.value }))}
            >
              {!adapter && <option value="">Scan or choose the adapter that is on the spindle</option>}
              {props.adapters.map((a) => (
                <option key={a.serial} value={a.serial}>
                  {a.serial}, {a.coupling}
                </option>
              ))}
            </select>
          </label>
          <Problem lead="Not changed." text={problem} />
          {props.lead && <NewAdapter add={props.addAdapter} />}
          {master ? (
            <>
              <Row name={master.name}>{master.mark}</Row>
              <Row name="Length" symbol="certificate">
                {formatLength(master.LFmm, unit)} {unitMark(unit)}
              </Row>
              <Row name="Diameter" symbol="certificate">
                {formatLength(master.DCmm, unit)} {unitMark(unit)}
              </Row>
              <Row name="Certificate until">
                <span className={master.calibratedUntil < props.now.slice(0, 10) ? 'text-off' : ''}>
                  {format(new Date(master.calibratedUntil), 'd MMM yyyy')}
                </span>
              </Row>
              <Renew master={master} lead={props.lead} renew={props.renew} />
              {props.ticket && <CheckRun {...props} master={master} ticket={props.ticket} />}
            </>
          ) : (
            <Say tone="off" lead="No master belongs to this adapter.">
              Change the adapter, or ask a lead to enter its master.
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
    return said.detail ?? said.title ?? 'The check could not be saved.'
  } catch {
    return 'No answer from the tool room. Scan the master again when the connection is back.'
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
    steps: [{ name: 'Master', at: null, features: ['LF', 'DC'], limits: {} }],
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
        text: changed.ok ? 'is on the spindle; measure its master' : changed.error.text,
        tone: changed.ok ? 'todo' : 'off',
      }
    }
    if (!drift || running) return { title: scanned, text: 'measure it first, then scan it to save the check', tone: 'todo' }
    const zip = await bench.pack()
    const refused = zip ? await send(scanned, checkId, reason.trim(), zip) : 'There are no pictures to save. Measure first.'
    if (refused) {
      setNote(refused)
      return { title: scanned, text: refused, tone: 'off' }
    }
    router.refresh()
    return { title: scanned, text: 'check saved; tools may be measured', tone: 'holds', href: '/measure' }
  })

  return (
    <>
      <div className="mt-2.5 shrink-0">
        <LivePicture shown={bench.shown} edges={2} unit={unit} small />
      </div>
      <div className="mt-auto pt-1">
        {drift && verdict ? (
          <>
            <Row name="Length reads">{formatDeviation(drift.z, unit)}</Row>
            <Row name="Radius reads">{formatDeviation(drift.x, unit)}</Row>
            <Say tone={TONE[verdict]} lead={SAYS[verdict][0]} role="status">
              {SAYS[verdict][1]}
            </Say>
            {verdict === 'too far' && lead && (
              <label className="mb-2.5 block text-lg font-semibold">
                Why a drift of more than {formatLength(TOO_FAR_MM, unit)} is accepted
                <input className={FIELD} value={reason} onChange={(e) => setReason(e.target.value)} />
              </label>
            )}
          </>
        ) : due ? (
          <Say tone={overruled ? 'unsure' : 'off'} lead="The check is due.">
            {due} {overruled ? `Lead approval: ${overruled}` : 'No tool can be measured until then.'}
          </Say>
        ) : (
          <Cautions
            lines={['Clean spindle, adapter and master with putty or air; clamp it as a tool. Hands clear when it turns.']}
          />
        )}
        <Problem lead="Not saved." text={note} />
        {state.type === 'failed' && <Problem lead="Nothing measured." text={state.text} />}
        {due && !overruled && lead && !drift && <Overrule overrule={overrule} />}
        {running ? (
          <BigAction onAct={() => undefined} disabled>
            {state.type === 'opening' ? 'Moving to the master …' : 'Measuring the master …'}
          </BigAction>
        ) : drift ? (
          <ScanAction>Scan {master.mark} to save</ScanAction>
        ) : (
          <BigAction onAct={() => void bench.measureAll()}>Measure the master</BigAction>
        )}
        {drift && !running && (
          <SmallActions>
            <SmallAction onAct={() => void bench.measureAll()}>Measure it again</SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}
