'use client'
import { useState } from 'react'
import type { Coupling } from '@/core/tool'
import { parseLength } from '@/core/units'
import { lengthErrorText } from '@/words/length'
import { SmallAction, SmallActions } from '../common/actions'
import { LengthField, TextField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as measure from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

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
      <Say tone="holds" lead={say.masterCheckSaved} role="status">
        {say.theValuesOfTheOther}
      </Say>
    )
  if (!master)
    return (
      <Say tone="off" lead={say.noMasterFor(coupling)}>
        {say.aLeadCanEnterIt}
      </Say>
    )
  const go = () => {
    const [LF, DC] = [parseLength(length, unit), parseLength(diameter, unit)]
    if (!LF.ok) return setProblem(say.lengthError(lengthErrorText(LF.error)))
    if (!DC.ok) return setProblem(say.diameterError(lengthErrorText(DC.error)))
    void run(
      () => save({ coupling, scanned: mark.trim().toUpperCase(), LFmm: LF.value, DCmm: DC.value }),
      () => setSaved(true),
    )
  }
  return (
    <div className="border-rule mt-3 border-t pt-2">
      <Say tone="unsure" lead={say.masterCheckDue}>
        {due}
      </Say>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        <TextField
          label={say.markOnTheMaster}
          wide
          value={mark}
          placeholder={master.mark}
          onChange={(e) => setMark(e.target.value)}
        />
        <LengthField label={say.lengthReads} value={length} onChange={(e) => setLength(e.target.value)} />
        <LengthField label={say.diameterReads} value={diameter} onChange={(e) => setDiameter(e.target.value)} />
      </div>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={go}>
          {say.saveMasterCheck}
        </SmallAction>
      </SmallActions>
    </div>
  )
}
