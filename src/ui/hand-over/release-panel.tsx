'use client'
import type { TipOrientation } from '@/core/tool'
import { isLead } from '@/core/tool'
import { useGo } from '../common/going'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { BigAction, ScanAction } from '../common/actions'
import { DateField } from '../common/date-field'
import { NumberField, SelectField, TextField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { asksConcession, asksWhere, concessionOf, mayAllow, releaseBig, type Against } from './machine'
import { useShell, type ScanSaid } from '../shell/shell-context'
import { useMarks } from '../shell/use-marks'
import type { Ask } from '@/stations/contract'
import type * as handOver from '@/stations/hand-over/contract'
import { say } from '@/words/screens/hand-over'
import { NoseDrawing } from '../drawing/nose-drawing'

export interface ReleaseProps {
  readonly serial: string
  readonly machine: string | null
  readonly t: number | null
  /** Given at the bench; null while nobody said. */
  readonly pocket: number | null
  /** How many the machine has; null without a machine. */
  readonly pockets: number | null
  /** Where the tip of a turning tool points; null while nobody said, left out where nothing is asked. */
  readonly tip?: number | null
  readonly against: readonly Against[]
  readonly postProblem: string | null
  readonly machines: readonly { readonly key: string; readonly name: string }[]
  /** Open jobs of the machine, for a concession. */
  readonly jobs: readonly string[]
  readonly release: Ask<typeof handOver.releaseHandover>
}

/** Releases by a scan of the tool's own mark; says what is against it, and lets a lead allow what only a lead may. */
export function ReleasePanel(props: ReleaseProps) {
  const { serial, machine, t, pocket, tip, against, postProblem, jobs, release } = props
  const { person } = useShell()
  const router = useGo()
  const [refused, setRefused] = useState<string | null>(null)
  const [reason, setReason] = useState('')
  const [job, setJob] = useState('')
  const [until, setUntil] = useState('')
  const seen = { against, postProblem, lead: isLead(person) }
  const allows = mayAllow(seen)
  const conceding = asksConcession(seen)
  useMarks(async (scanned): Promise<ScanSaid> => {
    const done = await release({
      serial,
      scanned,
      machine: machine ?? undefined,
      t: t ?? undefined,
      pocket: pocket ?? undefined,
      tip: tip ?? undefined,
      reason: reason || undefined,
      concession: conceding ? concessionOf(job, until) : undefined,
    })
    if (!done.ok) {
      setRefused(done.error.text)
      return { title: scanned, text: done.error.text, tone: 'off' }
    }
    return {
      title: serial,
      text: say.handOverReleasedPrintIts(done.value.issue),
      tone: 'holds',
      href: `/hand-over/${serial}?released=${done.value.id}`,
    }
  })
  const go = (query: Record<string, string>) => {
    const all = new URLSearchParams({
      ...(machine ? { machine } : {}),
      ...(t !== null ? { t: String(t) } : {}),
      ...(pocket !== null ? { pocket: String(pocket) } : {}),
      ...(typeof tip === 'number' ? { tip: String(tip) } : {}),
      ...query,
    })
    router.push(`/hand-over/${serial}?${all.toString()}`)
  }
  return (
    <div className="mt-auto">
      <Where {...props} go={go} open={asksWhere(against)} />
      {against.map((r) => (
        <Say key={`${r.code} ${r.text}`} tone={r.leadMay ? 'unsure' : 'off'} lead={r.mark}>
          {r.text}
        </Say>
      ))}
      {postProblem && (
        <Say tone="off" lead={say.wrongPost} role="alert">
          {postProblem}
        </Say>
      )}
      <ConcessionFields conceding={conceding} job={job} setJob={setJob} jobs={jobs} until={until} setUntil={setUntil} />
      {allows && <TextField label={say.leadApprovalReason} value={reason} onChange={(e) => setReason(e.target.value)} />}
      <Problem lead={say.notReleased} text={refused} />
      {against.length === 0 && !postProblem && !refused && (
        <Say tone="holds" lead={say.readyToRelease}>
          {say.theControlGetsTheMeasured}
        </Say>
      )}
      {releaseBig(seen).type === 'measure' ? (
        <BigAction onAct={() => router.push(`/measure/${serial}`)}>{say.measureAgain}</BigAction>
      ) : (
        <ScanAction>{say.scanToRelease(serial)}</ScanAction>
      )}
    </div>
  )
}

/** A job, or a day. */
function ConcessionFields({
  conceding,
  job,
  setJob,
  jobs,
  until,
  setUntil,
}: {
  readonly conceding: boolean
  readonly job: string
  readonly setJob: Dispatch<SetStateAction<string>>
  readonly jobs: ReleaseProps['jobs']
  readonly until: string
  readonly setUntil: Dispatch<SetStateAction<string>>
}) {
  return (
    conceding && (
      <div className="mb-2 grid grid-cols-2 gap-3">
        <SelectField label={say.concessionForJob} value={job} onChange={(e) => setJob(e.target.value)}>
          <option value="">{say.untilADay}</option>
          {jobs.map((id) => (
            <option key={id}>{id}</option>
          ))}
        </SelectField>
        {!job && <DateField label={say.until} value={until} take={setUntil} />}
      </div>
    )
  )
}

/** For which machine, under which T, in which pocket: asked where it is not known, changed by a press before release. */
function Where({
  serial,
  machine,
  t,
  pocket,
  pockets,
  tip,
  machines,
  go,
  open,
}: ReleaseProps & { readonly go: (query: Record<string, string>) => void; readonly open: boolean }) {
  const [newT, setNewT] = useState(t === null ? '' : String(t))
  return (
    <details open={open} className="border-rule border-b">
      <summary className="fold">{say.machineTAndPocket}</summary>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 pb-2.5">
        <SelectField
          label={say.machine}
          key={machine}
          defaultValue={machine ?? ''}
          onChange={(event) => event.target.value && go({ machine: event.target.value, pocket: '' })}
        >
          {machine === null && <option value="">{say.choose}</option>}
          {machines.map((m) => (
            <option key={m.key} value={m.key}>
              {m.name}
            </option>
          ))}
        </SelectField>
        <NumberField
          label={say.tNumber}
          decimals={false}
          value={newT}
          onChange={(event) => setNewT(event.target.value.replace(/\D/g, ''))}
          onBlur={() => newT && newT !== String(t ?? '') && go({ t: newT })}
        />
        {pockets !== null && t !== null && (
          <NumberField
            label={say.pocket}
            unit={say.ifGivenHere}
            decimals={false}
            key={pocket}
            aria-label={say.pocket}
            placeholder="later"
            defaultValue={pocket ?? ''}
            onBlur={(event) => {
              const text = event.target.value.replace(/\D/g, '')
              if (text !== String(pocket ?? '')) go({ pocket: text })
            }}
          />
        )}
        {tip !== undefined && (
          <SelectField
            label={say.tipPoints}
            unit="orientation"
            key={tip}
            defaultValue={tip ?? ''}
            aria-label={say.tipOrientationOf(serial)}
            onChange={(event) => event.target.value && go({ tip: event.target.value })}
          >
            {tip === null && <option value="">{say.choose}</option>}
            {[1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => (
              <option key={n} value={n}>
                {n}
                {n === 9 ? say.noseCentre : ''}
              </option>
            ))}
          </SelectField>
        )}
        {typeof tip === 'number' && <NoseDrawing q={tip as TipOrientation} axes="lathe" size={84} />}
      </div>
    </details>
  )
}
