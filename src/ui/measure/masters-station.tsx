'use client'
import { format } from 'date-fns'
import { useMemo } from 'react'
import { type ZeroCheck } from '@/core/judge'
import { formatDeviation, formatLength, unitMark } from '@/core/units'
import { SelectField } from '../common/form'
import { Problem, Row, Say, Sheet, Title } from '../common/sheet'
import { MEASURE_TABS, SubNav } from '../common/sub-nav'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import { DriftChart } from './drift-chart'
import type { MastersProps } from './masters-props'
import { AdapterScans } from './adapter-scans'
import { CheckRun } from './check-run'
import { Again, NewAdapter, Renew } from './masters-forms'
import { say } from '@/words/screens/measure'

/** Checks of this adapter that the chart shows. */
const DRAWN = 24

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
          <ChecksTable checks={checks} />
        </>
      }
      right={
        <>
          <h2 className="text-2xl font-bold">{adapter ? `${adapter.serial}, ${adapter.coupling}` : say.noAdapterChosen}</h2>
          <SelectField
            label={say.onTheSpindle}
            value={adapter?.serial ?? ''}
            disabled={busy}
            onChange={(e) => void run(() => props.changeAdapter({ serial: e.target.value, from: adapter?.serial ?? null }))}
          >
            {!adapter && <option value="">{say.scanOrChooseTheAdapter}</option>}
            {props.adapters.map((a) => (
              <option key={a.serial} value={a.serial}>
                {a.serial}, {a.coupling}
              </option>
            ))}
          </SelectField>
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
              {props.ticket ? (
                <CheckRun {...props} master={master} ticket={props.ticket} />
              ) : (
                <>
                  <AdapterScans {...props} />
                  <p className="text-soft mt-3">{say.checkWithTheFirstTool}</p>
                </>
              )}
            </>
          ) : (
            <>
              <AdapterScans {...props} />
              <Say
                tone={adapter ? 'off' : 'todo'}
                lead={adapter ? say.noMasterBelongsToThis : props.adapters.length ? say.putAnAdapterOn : say.noAdapterYet}
              >
                {adapter ? say.changeTheAdapterOrAsk : say.anAdapterHasItsMaster}
              </Say>
            </>
          )}
        </>
      }
    />
  )
}

/** Every check, the newest first. */
function ChecksTable({ checks }: { readonly checks: readonly ZeroCheck[] }) {
  const { unit } = useShell()
  return (
    <div className="min-h-[120px] overflow-auto" tabIndex={0} role="region" aria-label={say.checks}>
      <table className="table text-lg">
        <thead>
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
            <tr key={c.id}>
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
  )
}
