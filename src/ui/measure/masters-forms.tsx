'use client'
import Link from '../common/link'
import { useState } from 'react'
import type { Master } from '@/core/judge'
import { formatLength, parseLength } from '@/core/units'
import { lengthErrorText } from '@/words/length'
import { CouplingField, useFirstCoupling } from '../common/coupling-field'
import { SmallAction, SmallActions } from '../common/actions'
import { DateField } from '../common/date-field'
import { LengthField, TextField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useContractForm } from '../common/use-contract-form'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import { addAdapter, type renewMaster } from '@/stations/measure/contract'
import { say } from '@/words/screens/measure'

/** One list of what a drift held: each is measured again, a loaded one is named with its machine. */
export function Again({
  tools,
}: {
  readonly tools: readonly {
    readonly serial: string
    readonly t: number
    readonly name: string
    readonly machine: string
    readonly loaded: boolean
  }[]
}) {
  if (!tools.length) return null
  return (
    <div>
      <Say tone="off" lead={say.measureAgain(tools.length, tools.length === 1 ? 'tool' : 'tools')} role="status">
        {say.theyWereMeasuredBeforeA}
      </Say>
      <ul className="grid grid-cols-2 gap-x-6">
        {tools.map((tool) => (
          <li key={tool.serial} className="border-rule border-b">
            <Link className="row-link" href={tool.loaded ? `/tools/${tool.serial}` : `/measure/${tool.serial}`}>
              T{tool.t} {tool.name} · {tool.serial}
              {tool.loaded && <span className="text-off ml-2">{say.inMachine(tool.machine)}</span>}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** The values of a new certificate. */
export function Renew({
  master,
  lead,
  renew,
}: {
  readonly master: Master
  readonly lead: boolean
  readonly renew: Ask<typeof renewMaster>
}) {
  const { unit } = useShell()
  const { busy, problem, setProblem, run } = useAct()
  const [length, setLength] = useState(formatLength(master.LFmm, unit, unit === 'mm' ? 4 : 5))
  const [diameter, setDiameter] = useState(formatLength(master.DCmm, unit, unit === 'mm' ? 4 : 5))
  const [until, setUntil] = useState('')
  if (!lead) return null
  const go = () => {
    const [LF, DC] = [parseLength(length, unit), parseLength(diameter, unit)]
    if (!LF.ok) return setProblem(lengthErrorText(LF.error))
    if (!DC.ok) return setProblem(lengthErrorText(DC.error))
    void run(
      () => renew({ id: master.id, LFmm: LF.value, DCmm: DC.value, calibratedUntil: until, from: master.calibratedUntil }),
      undefined,
      say.certificateSaved(master.id),
    )
  }
  return (
    <details>
      <summary className="fold">{say.renewTheCertificate}</summary>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1">
        <LengthField label={say.lengthTitle} value={length} onChange={(e) => setLength(e.target.value)} />
        <LengthField label={say.diameterTitle} value={diameter} onChange={(e) => setDiameter(e.target.value)} />
        <DateField label={say.certificateUntil} wide value={until} take={setUntil} />
      </div>
      <Problem lead={say.notSaved} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={go}>
          {say.saveCertificate}
        </SmallAction>
      </SmallActions>
    </details>
  )
}

/** Another adapter, by the mark on it. */
export function NewAdapter({ add }: { readonly add: Ask<typeof addAdapter> }) {
  const form = useContractForm(addAdapter, add, { serial: '', coupling: useFirstCoupling(), name: '' })
  return (
    <details>
      <summary className="fold">{say.enterAnotherAdapter}</summary>
      <div className="grid grid-cols-2 gap-x-3">
        <TextField label={say.markOnIt} error={form.wrong('serial')} {...form.register('serial')} />
        <CouplingField label={say.takes} {...form.register('coupling')} />
      </div>
      <Problem lead={say.notEntered} text={form.problem} />
      <SmallActions>
        <SmallAction disabled={form.busy} onAct={form.send}>
          {say.enterAdapter}
        </SmallAction>
      </SmallActions>
    </details>
  )
}
