'use client'
import { useState } from 'react'
import { isTellable, type CauseCode } from '@/core/causes'
import type { Ask } from '@/stations/contract'
import type * as contract from '@/stations/causes/contract'
import type { CausesSheet } from '@/stations/causes/contract'
import { CAUSE_NAMES, NEXT_TEXTS } from '@/words/causes'
import { say } from '@/words/screens/causes'
import { SmallAction, SmallActions } from '../common/actions'
import { SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useUnit } from '../shell/shell-context'
import { CauseList } from './cause-list'

/** What is most likely wrong with a tool, and what somebody found it to be. */
export function CausePanel({ sheet, save }: { readonly sheet: CausesSheet; readonly save: Ask<typeof contract.sayCause> }) {
  const { serial, measurement, causes, next, possible, edges, said } = sheet
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [code, setCode] = useState<CauseCode>(said?.code ?? causes[0].code)
  const [edge, setEdge] = useState<number | null>(said?.edge ?? causes[0].edge ?? null)
  const ofEdge = code === 'EDGE_HIGH' || code === 'EDGE_LOW'
  const choose = (chosen: CauseCode) => {
    setCode(chosen)
    setEdge(causes.find((cause) => cause.code === chosen)?.edge ?? null)
  }
  return (
    <details className="mt-3">
      <summary className="fold text-ink">{say.whatIsWrong}</summary>
      <CauseList causes={causes} unit={unit} />
      {!isTellable(causes) && <p className="text-soft text-lg">{say.cannotBeTold}</p>}
      {next.length > 0 && causes[0].code !== 'NOTHING' && (
        <ol className="mb-2">
          {next.slice(0, 3).map((step) => (
            <li key={step.code} className="border-rule border-b py-1.5 text-lg">
              {NEXT_TEXTS[step.code]} <small className="text-soft text-base whitespace-nowrap">{say.costs(step.minutes)}</small>
            </li>
          ))}
        </ol>
      )}
      {said && <p className="text-soft text-base">{say.saidBy(said.who, CAUSE_NAMES[said.code], said.wasRight)}</p>}
      {said?.wasRight == null && (
        <>
          <SelectField label={say.itWas} value={code} onChange={(e) => choose(e.target.value as CauseCode)}>
            {possible.map((one) => (
              <option key={one} value={one}>
                {CAUSE_NAMES[one]}
              </option>
            ))}
          </SelectField>
          {ofEdge && (
            <SelectField label={say.edge} value={edge ?? ''} onChange={(e) => setEdge(Number(e.target.value))}>
              {edges.map((one) => (
                <option key={one} value={one}>
                  {one}
                </option>
              ))}
            </SelectField>
          )}
          <Problem lead={say.notSaved} text={problem} />
          <SmallActions>
            <SmallAction
              disabled={busy || (ofEdge && edge === null)}
              onAct={() => void run(() => save({ serial, measurement, code, edge: ofEdge ? edge : null }), undefined, say.saved)}
            >
              {say.save}
            </SmallAction>
          </SmallActions>
        </>
      )}
    </details>
  )
}
