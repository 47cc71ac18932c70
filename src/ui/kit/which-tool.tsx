'use client'
import Link from '../common/link'
import { useState } from 'react'
import type { Difference } from '@/core/plan'
import { differenceText } from '@/words/kit'
import { SmallAction, SmallActions } from '../common/actions'
import { SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useUnit } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as kit from '@/stations/kit/contract'
import { say } from '@/words/screens/kit'

export interface WhichToolProps {
  readonly job: string
  /** Of the job, as it is shown. */
  readonly version: number
  readonly machine: string
  readonly t: number
  /** What the program says beside the tool change. */
  readonly comment: string | null
  /** The definition with this T that the comment contradicts. */
  readonly asked: { readonly id: string; readonly name: string; readonly differs: readonly Difference[] } | null
  /** Whether nothing is to be set up for it. */
  readonly leftOut: boolean
  /** Definitions for this machine. */
  readonly definitions: readonly { readonly id: string; readonly name: string; readonly t: number }[]
  readonly map: Ask<typeof kit.mapTool>
}

/** A T that is not clear: which tool it is, that it needs none, or that it still has to be defined. */
export function WhichTool({ job, version, machine, t, comment, asked, leftOut, definitions, map }: WhichToolProps) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [chosen, setChosen] = useState(asked?.id ?? '')
  const answer = (to?: string | null) => void run(() => map({ job, t, to, version }))
  if (leftOut)
    return (
      <SmallActions>
        <SmallAction disabled={busy} onAct={() => answer()}>
          {say.setItUpAfterAll}
        </SmallAction>
      </SmallActions>
    )
  return (
    <div className="pb-3" role="group" aria-label={say.whichToolIsT(t)}>
      <p className="text-lg">
        {say.theProgramSays} <b>{comment ? `“${comment}”` : say.nothingAboutIt}</b>
        {asked && `; ${asked.differs.map((d) => differenceText(d, unit)).join('; ')}`}.
      </p>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <div className="min-w-[260px] flex-1">
          <SelectField label={say.tIs(t)} value={chosen} onChange={(e) => setChosen(e.target.value)}>
            <option value="">{say.chooseTheDefinition}</option>
            {definitions.map((d) => (
              <option key={d.id} value={d.id}>
                T{d.t} {d.name}, {d.id}
              </option>
            ))}
          </SelectField>
        </div>
        <SmallActions>
          <SmallAction disabled={busy || chosen === ''} onAct={() => answer(chosen)}>
            {say.itIsThisTool}
          </SmallAction>
          <SmallAction disabled={busy} onAct={() => answer(null)}>
            {say.nothingToSetUpTitle}
          </SmallAction>
        </SmallActions>
        <Link
          className="row-link px-2 text-lg"
          href={`/library/tools/new?t=${t}&machine=${encodeURIComponent(machine)}&name=${encodeURIComponent(comment ?? '')}`}
        >
          {say.defineTool}
        </Link>
      </div>
      <Problem lead={say.notSaved} text={problem} />
    </div>
  )
}
