'use client'
import { format } from 'date-fns'
import { useGo } from '../common/going'
import { useState } from 'react'
import type { Job } from '@/core/plan'
import { SmallAction, SmallActions } from '../common/actions'
import { TimeField } from '../common/date-field'
import { NumberField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

export interface JobFootProps {
  readonly job: Pick<Job, 'id' | 'name' | 'dueAt' | 'quantity' | 'priority' | 'state' | 'urgentFor' | 'version'>
  readonly addTools: Ask<typeof kit.addTools>
  readonly close: Ask<typeof kit.closeJob>
  readonly change: Ask<typeof kit.changeJob>
  readonly copy: Ask<typeof kit.copyJob>
  readonly reopen: Ask<typeof kit.reopenJob>
  readonly takeBack: Ask<typeof kit.takeBackNow>
}

/** Local time, as the field wants it. */
const fieldTime = (at: string) => format(new Date(at), "yyyy-MM-dd'T'HH:mm")
const isoOf = (text: string): string | null => {
  const at = new Date(text)
  return Number.isNaN(at.getTime()) ? null : at.toISOString()
}

/** Below the table: a tool by hand, changing, copying and closing the job, and opening it again. */
export function JobFoot(props: JobFootProps) {
  const { job } = props
  return (
    <div className="border-rule mt-1 border-t pt-2">
      {job.state === 'open' && <OpenFoot {...props} />}
      {job.state !== 'open' && <Reasoned job={job.id} ask={say.reopenJob} field={say.whyItIsReopened} act={props.reopen} />}
      {job.state === 'open' && job.urgentFor !== null && (
        <Reasoned job={job.id} ask={say.cancelTheRushTheTool} field={say.whyTheRushIsCancelled} act={props.takeBack} />
      )}
      <Change {...props} />
    </div>
  )
}

function Reasoned({
  job,
  ask,
  field,
  act,
}: {
  readonly job: string
  readonly ask: string
  readonly field: string
  readonly act: Ask<typeof kit.reopenJob>
}) {
  const { busy, problem, run } = useAct()
  const [reason, setReason] = useState('')
  return (
    <div className="flex flex-wrap items-end gap-3 pb-2">
      <div className="min-w-[260px] flex-1">
        <TextField label={field} value={reason} onChange={(e) => setReason(e.target.value)} />
      </div>
      <SmallAction disabled={busy} onAct={() => void run(() => act({ job, reason }))}>
        {ask}
      </SmallAction>
      <Problem lead={say.notDone} text={problem} />
    </div>
  )
}

function Change({ job, change, copy }: JobFootProps) {
  const router = useGo()
  const { busy, problem, run, setProblem } = useAct()
  // the version that these fields were opened with
  const [version, setVersion] = useState(job.version)
  const [typed, setTyped] = useState({ name: job.name, due: fieldTime(job.dueAt), quantity: String(job.quantity), id: '' })
  const set = (key: keyof typeof typed) => (e: { target: { value: string } }) =>
    setTyped((t) => ({ ...t, [key]: e.target.value }))
  const due = () => (typed.due === fieldTime(job.dueAt) ? job.dueAt : isoOf(typed.due))
  const save = () => {
    const [dueAt, quantity] = [due(), Number(typed.quantity)]
    if (!dueAt) return setProblem(say.typeWhenTheJobStarts)
    if (!Number.isInteger(quantity) || quantity < 1) return setProblem(say.howManyPartsTypeA)
    void run(
      () => change({ job: job.id, name: typed.name, dueAt, quantity, priority: job.priority, version }),
      () => setVersion((v) => v + 1),
      say.changesAreSaved(job.id),
    )
  }
  const copyIt = () => {
    const dueAt = due()
    if (!dueAt) return setProblem(say.typeWhenTheCopyStarts)
    void run(
      () => copy({ job: job.id, id: typed.id.trim(), dueAt }),
      ({ id }) => router.push(`/kit/${encodeURIComponent(id)}`),
    )
  }
  return (
    <details>
      <summary className="fold">{say.changeOrCopyJob}</summary>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2 pb-2 lg:grid-cols-[1fr_290px_90px_1fr]">
        <TextField label={say.whatItMakes} value={typed.name} onChange={set('name')} />
        <TimeField label={say.starts} value={typed.due} take={(due) => setTyped((t) => ({ ...t, due }))} />
        <NumberField label={say.partsTitle} decimals={false} value={typed.quantity} onChange={set('quantity')} />
        <TextField label={say.numberOfTheCopy} value={typed.id} onChange={set('id')} />
      </div>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy || job.state !== 'open'} onAct={save}>
          {say.saveChanges}
        </SmallAction>
        <SmallAction disabled={busy || typed.id.trim() === ''} onAct={copyIt}>
          {say.copyJob}
        </SmallAction>
      </SmallActions>
    </details>
  )
}

function OpenFoot({ job: { id: job, version }, addTools, close }: JobFootProps) {
  const router = useGo()
  const { problem, run, setProblem } = useAct()
  const [t, setT] = useState('')
  const [count, setCount] = useState('1')
  const [asked, setAsked] = useState<'done' | 'cancelled' | null>(null)
  const add = () => {
    const [number, pieces] = [Number(t.replace(/^t/i, '')), Number(count)]
    if (!Number.isInteger(number) || number < 1) return setProblem(say.isNotATNumber(t))
    if (!Number.isInteger(pieces) || pieces < 1 || pieces > 20) return setProblem(say.typeToTools)
    void run(
      () => addTools({ job, tools: [{ t: number, name: null, count: pieces, minutesEach: null, source: 'by hand' }], version }),
      () => setT(''),
    )
  }
  return (
    <div className="pb-2">
      <Problem lead={say.notDone} text={problem} />
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-24">
          <NumberField label={say.tByHand} decimals={false} value={t} onChange={(e) => setT(e.target.value)} />
        </div>
        <div className="w-20">
          <NumberField label="pieces" decimals={false} value={count} onChange={(e) => setCount(e.target.value)} />
        </div>
        <div className="w-28">
          <SmallAction onAct={add}>{say.addTool}</SmallAction>
        </div>
        <div className="ml-auto flex min-w-[300px] flex-1 justify-end">
          {asked ? (
            <SmallActions>
              <SmallAction
                onAct={() =>
                  void run(
                    () => close({ job, state: asked }),
                    () => router.push('/kit'),
                  )
                }
              >
                {asked === 'done' ? say.jobDone : say.cancelJobPartsGoBack}
              </SmallAction>
              <SmallAction onAct={() => setAsked(null)}>{say.noTitle}</SmallAction>
            </SmallActions>
          ) : (
            <SmallActions>
              <SmallAction onAct={() => setAsked('done')}>{say.jobDoneAsk}</SmallAction>
              <SmallAction onAct={() => setAsked('cancelled')}>{say.cancelJob}</SmallAction>
            </SmallActions>
          )}
        </div>
      </div>
    </div>
  )
}
