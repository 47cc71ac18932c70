'use client'
import { useState } from 'react'
import type { Coupling } from '@/core/tool'
import { parseLength, unitMark } from '@/core/units'
import { lengthErrorText } from '@/words/length'
import { SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'

export interface ValuesCheckProps {
  readonly coupling: Coupling
  readonly master: { readonly mark: string; readonly name: string } | null
  /** Why it is due; null when it is not. */
  readonly due: string | null
  readonly save: Ask<typeof measure.saveValuesCheck>
}

/** What the other bench reads of the master, before its values count. */
export function ValuesCheckForm({ coupling, master, due, save }: ValuesCheckProps) {
  const { unit } = useShell()
  const { busy, problem, setProblem, run } = useAct()
  const [mark, setMark] = useState('')
  const [length, setLength] = useState('')
  const [diameter, setDiameter] = useState('')
  const [saved, setSaved] = useState(false)
  if (due === null && !saved) return null
  if (saved)
    return (
      <Say tone="holds" lead="Master check saved." role="status">
        The values of the other bench count for this shift.
      </Say>
    )
  if (!master)
    return (
      <Say tone="off" lead={`No master for ${coupling}.`}>
        A lead can enter it. Until then the values of the other bench do not count.
      </Say>
    )
  const go = () => {
    const [LF, DC] = [parseLength(length, unit), parseLength(diameter, unit)]
    if (!LF.ok) return setProblem(`Length: ${lengthErrorText(LF.error)}`)
    if (!DC.ok) return setProblem(`Diameter: ${lengthErrorText(DC.error)}`)
    void run(
      () => save({ coupling, scanned: mark.trim().toUpperCase(), LFmm: LF.value, DCmm: DC.value }),
      () => setSaved(true),
    )
  }
  return (
    <div className="border-rule mt-3 border-t pt-2">
      <Say tone="unsure" lead="Master check due.">
        {due}
      </Say>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        <Field name="Mark on the master" wide>
          <input className={FIELD} value={mark} placeholder={master.mark} onChange={(e) => setMark(e.target.value)} />
        </Field>
        <Field name="Length reads" unit={unitMark(unit)}>
          <input className={`${FIELD} figures`} inputMode="decimal" value={length} onChange={(e) => setLength(e.target.value)} />
        </Field>
        <Field name="Diameter reads" unit={unitMark(unit)}>
          <input
            className={`${FIELD} figures`}
            inputMode="decimal"
            value={diameter}
            onChange={(e) => setDiameter(e.target.value)}
          />
        </Field>
      </div>
      <Problem lead="Not saved." text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={go}>
          Save master check
        </SmallAction>
      </SmallActions>
    </div>
  )
}
