'use client'
import { useState } from 'react'
import { SmallAction } from '../common/actions'
import { SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

/** Keeps a complete tool for one job, or frees it. */
export function KeepPanel({
  serial,
  job,
  jobs,
  keep,
}: {
  readonly serial: string
  readonly job: string | null
  readonly jobs: readonly string[]
  readonly keep: Ask<typeof kit.reserveTool>
}) {
  const { busy, problem, run } = useAct()
  const [chosen, setChosen] = useState(job ?? '')
  return (
    <details>
      <summary className="fold">{job ? say.reservedForJob(job) : say.notReserved}</summary>
      <div className="flex items-end gap-2.5">
        <SelectField label={say.reserveFor} value={chosen} onChange={(e) => setChosen(e.target.value)}>
          <option value="">{say.anyJob}</option>
          {jobs.map((j) => (
            <option key={j}>{j}</option>
          ))}
        </SelectField>
        <SmallAction
          disabled={busy || chosen === (job ?? '')}
          onAct={() =>
            void run(
              () => keep({ serial, job: chosen || null, from: job }),
              undefined,
              chosen ? say.nowReserved(serial, chosen) : say.nowFree(serial),
            )
          }
        >
          {say.reserve}
        </SmallAction>
      </div>
      <Problem lead={say.notChanged} text={problem} />
    </details>
  )
}
