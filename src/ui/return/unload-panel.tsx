'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { Result } from '@/core/units'
import { BigAction } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'

type Fate = 'again' | 'measure' | 'apart' | 'broken'

const FATES: readonly (readonly [Fate, string, string])[] = [
  ['again', 'Use again as it is', 'its released figures stand'],
  ['measure', 'Measure again', 'used on, after a measurement'],
  ['apart', 'Take apart', 'worn, or not needed'],
  ['broken', 'Broken', 'its sister is needed'],
]

/** What becomes of a tool that comes out, with a reason; the row of the machine is emptied first. */
export function UnloadPanel({
  serial,
  machine,
  pocket,
  worn,
  current,
  ready,
  unload,
}: {
  readonly serial: string
  readonly machine: string
  readonly pocket: number | null
  readonly worn: boolean
  /** Its hand-over is still current. */
  readonly current: boolean
  readonly ready: boolean
  readonly unload: (given: {
    serial: string
    fate: Fate
    reason: string
    cutMin: number
  }) => Promise<Result<unknown, { text: string }>>
}) {
  const router = useRouter()
  const { busy, problem, setProblem, run } = useAct()
  const mayAgain = current && !worn
  const [fate, setFate] = useState<Fate>(mayAgain ? 'again' : 'measure')
  const [reason, setReason] = useState('')
  const [minutes, setMinutes] = useState('')
  const go = () => {
    const cutMin = minutes.trim() === '' ? 0 : Number(minutes.replace(',', '.'))
    if (!Number.isFinite(cutMin) || cutMin < 0) return setProblem('The minutes are no number.')
    if (reason.trim().length < 3) return setProblem('Say in a few words why it comes out.')
    const next = {
      again: `/tools/${serial}`,
      measure: `/measure/${serial}`,
      apart: `/tools/${serial}`,
      broken: '/kit/now',
    }[fate]
    void run(
      () => unload({ serial, fate, reason: reason.trim(), cutMin }),
      () => router.push(next),
    )
  }
  return (
    <>
      <h2 className="text-2xl font-bold">What becomes of it</h2>
      <div role="radiogroup" aria-label="What becomes of it" className="mt-2 grid gap-1.5">
        {FATES.map(([key, name, about]) => (
          <label
            key={key}
            className="border-rule has-checked:border-act has-disabled:text-soft flex min-h-[52px] items-center gap-3 border-[1.5px] px-3"
          >
            <input
              type="radio"
              name="fate"
              className="h-5 w-5 accent-[var(--color-act)]"
              checked={fate === key}
              disabled={key === 'again' && !mayAgain}
              onChange={() => setFate(key)}
            />
            <span className="leading-tight">
              <span className="font-head block text-xl font-semibold">{name}</span>
              <span className="text-soft text-base">{about}</span>
            </span>
          </label>
        ))}
      </div>
      <div className="mt-3 grid grid-cols-[1fr_116px] gap-3">
        <Field name="Why">
          <input
            className={FIELD}
            value={reason}
            placeholder="job done, finish got rough …"
            onChange={(e) => setReason(e.target.value)}
          />
        </Field>
        <Field name="It cut" unit="min">
          <input
            className={`${FIELD} figures`}
            inputMode="decimal"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
          />
        </Field>
      </div>
      <div className="mt-auto pt-3">
        {worn && (
          <Say tone="unsure" lead="It was corrected for wear.">
            Its released figures do not fit any more; the wear is kept in the record.
          </Say>
        )}
        <Problem lead="Not taken out." text={problem} />
        <BigAction onAct={go} disabled={busy || !ready}>
          {busy ? 'Emptying its row …' : `Out of ${machine}, pocket ${pocket ?? '–'}`}
        </BigAction>
      </div>
    </>
  )
}
