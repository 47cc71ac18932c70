'use client'
import { fromHere, useGo } from '../common/going'
import { useMemo, useState, type SetStateAction, type Dispatch } from 'react'
import { driftOf, judgeDrift, TOO_FAR_MM, type DriftVerdict, type Master, type Zero } from '@/core/judge'
import { formatDeviation, formatLength, type LengthUnit } from '@/core/units'
import { BigAction, ScanAction, SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Cautions, Problem, Row, Say } from '../common/sheet'
import { useShell, type ScanSaid } from '../shell/shell-context'
import { takeAdapter } from './adapter-scans'
import { useMarks } from '../shell/use-marks'
import { LivePicture } from './live-picture'
import { Overrule } from './overrule'
import { useBench, type BenchState } from './use-bench'
import { say } from '@/words/screens/measure'

import type { MastersProps } from './masters-props'

const TONE = { first: 'todo', still: 'holds', drifted: 'unsure', 'too far': 'off' } as const
const SAYS = {
  first: [say.firstCheckOfThisAdapter, say.itSetsTheZeroOf],
  still: [say.normalThermalDrift, say.scanTheMasterToSave],
  drifted: [say.theZeroHasDrifted, say.savingCorrectsEveryValueFrom],
  'too far': [say.thisIsMoreThanThermal, say.cleanSpindleAdapterAndMaster],
} as const

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
    const response = await fetch(fromHere(`/api/bench/checks?${asked.toString()}`), {
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
export function CheckRun({
  master,
  ticket,
  zero,
  checkId,
  due,
  overruled,
  lead,
  overrule,
  adapter,
  adapters,
  changeAdapter,
}: MastersProps & { readonly master: Master; readonly ticket: string }) {
  const { unit } = useShell()
  const router = useGo()
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
    const taken = await takeAdapter({ adapter, adapters, changeAdapter }, scanned)
    if (taken?.tone === 'off') setNote(taken.text)
    if (taken) return taken
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
        <Found
          drift={drift}
          verdict={verdict}
          unit={unit}
          lead={lead}
          reason={reason}
          setReason={setReason}
          due={due}
          overruled={overruled}
        />
        <Problem lead={say.notSaved} text={note} />
        {state.type === 'failed' && <Problem lead={say.nothingMeasured} text={state.text} />}
        {due && !overruled && lead && !drift && <Overrule overrule={overrule} />}
        <Big running={running} state={state} drift={drift} master={master} bench={bench} />
        {drift && !running && (
          <SmallActions>
            <SmallAction onAct={() => void bench.measureAll()}>{say.measureItAgain}</SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}

function Big({
  running,
  state,
  drift,
  master,
  bench,
}: {
  readonly running: boolean
  readonly state: BenchState
  readonly drift: Zero | null
  readonly master: Master
  readonly bench: ReturnType<typeof useBench>
}) {
  return running ? (
    <BigAction onAct={() => undefined} disabled>
      {state.type === 'opening' ? say.movingToTheMaster : say.measuringTheMaster}
    </BigAction>
  ) : drift ? (
    <ScanAction>{say.scanToSaveMark(master.mark)}</ScanAction>
  ) : (
    <BigAction onAct={() => void bench.measureAll()}>{say.measureTheMaster}</BigAction>
  )
}

/** What the master reads, or why it is to be measured. */
function Found({
  drift,
  verdict,
  unit,
  lead,
  reason,
  setReason,
  due,
  overruled,
}: {
  readonly drift: Zero | null
  readonly verdict: DriftVerdict | null
  readonly unit: LengthUnit
  readonly lead: boolean
  readonly reason: string
  readonly setReason: Dispatch<SetStateAction<string>>
  readonly due: string | null
  readonly overruled: string | null
}) {
  return drift && verdict ? (
    <>
      <Row name={say.lengthReads}>{formatDeviation(drift.z, unit)}</Row>
      <Row name={say.radiusReads}>{formatDeviation(drift.x, unit)}</Row>
      <Say tone={TONE[verdict]} lead={SAYS[verdict][0]} role="status">
        {SAYS[verdict][1]}
      </Say>
      {verdict === 'too far' && lead && (
        <TextField
          label={say.whyADriftOfMore(formatLength(TOO_FAR_MM, unit))}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
    </>
  ) : due ? (
    <Say tone={overruled ? 'unsure' : 'off'} lead={say.theCheckIsDue}>
      {due} {overruled ? say.leadApproval(overruled) : say.noToolCanBeMeasured}
    </Say>
  ) : (
    <Cautions lines={[say.cleanTheMasterAndClampIt]} />
  )
}
