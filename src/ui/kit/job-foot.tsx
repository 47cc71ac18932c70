'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { HandTool } from '@/core/plan'
import type { Result } from '@/core/units'
import { SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'

/** Below the table: a tool by hand, and closing the job. */
export function JobFoot({
  job,
  addTools,
  close,
}: {
  readonly job: string
  readonly addTools: (given: { job: string; tools: HandTool[] }) => Promise<Result<null, { text: string }>>
  readonly close: (given: { job: string; state: 'done' | 'cancelled' }) => Promise<Result<{ back: number }, { text: string }>>
}) {
  const router = useRouter()
  const { problem, run, setProblem } = useAct()
  const [t, setT] = useState('')
  const [count, setCount] = useState('1')
  const [asked, setAsked] = useState<'done' | 'cancelled' | null>(null)
  const add = () => {
    const [number, pieces] = [Number(t.replace(/^t/i, '')), Number(count)]
    if (!Number.isInteger(number) || number < 1) return setProblem(`“${t}” is no T number.`)
    if (!Number.isInteger(pieces) || pieces < 1 || pieces > 20) return setProblem('One to twenty of a tool.')
    void run(
      () => addTools({ job, tools: [{ t: number, name: null, count: pieces, minutesEach: null, source: 'by hand' }] }),
      () => setT(''),
    )
  }
  return (
    <div className="border-rule mt-1 border-t pt-2">
      <Problem lead="Not done." text={problem} />
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-24">
          <Field name="T by hand">
            <input className={FIELD} value={t} inputMode="numeric" onChange={(e) => setT(e.target.value)} />
          </Field>
        </div>
        <div className="w-20">
          <Field name="pieces">
            <input className={FIELD} value={count} inputMode="numeric" onChange={(e) => setCount(e.target.value)} />
          </Field>
        </div>
        <div className="w-28">
          <SmallAction onAct={add}>Add it</SmallAction>
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
                {asked === 'done' ? 'Yes, the job is done' : 'Yes, cancel: parts go back'}
              </SmallAction>
              <SmallAction onAct={() => setAsked(null)}>No</SmallAction>
            </SmallActions>
          ) : (
            <SmallActions>
              <SmallAction onAct={() => setAsked('done')}>Job done …</SmallAction>
              <SmallAction onAct={() => setAsked('cancelled')}>Cancel job …</SmallAction>
            </SmallActions>
          )}
        </div>
      </div>
    </div>
  )
}
