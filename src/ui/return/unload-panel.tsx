'use client'
import { pocketText } from '@/words/pocket'
import { useGo } from '../common/going'
import { useState } from 'react'
import { SPINDLE } from '@/core/tool'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { NumberField, SelectField, TextField } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct, type Run } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Disposition } from '@/stations/return/contract'
import { isUsedOn, minutesOf, pageAfter, returnFault, type ReturnFault, type ReturnForm } from './machine'
import { TakeFromMachine } from '../stand-in/tricks'
import { say } from '@/words/screens/return'
import { Choices, WearChoice, type WearGoes } from './unload-fields'
import type { UnloadPanelProps } from './unload-props'

const FAULTS: Readonly<Record<ReturnFault, string>> = {
  MINUTES: say.theMinutesAreNotA,
  REASON: say.sayWhyInAFew,
  MACHINE: say.chooseTheMachineItGoes,
  WEAR: say.chooseWhatToDoWith,
}

/** What next with a tool that comes out, and why; its offset in the machine is emptied first. */
export function UnloadPanel(props: UnloadPanelProps) {
  const { serial, worn, current, others, unload } = props
  const router = useGo()
  const { sayScan } = useShell()
  const { busy, problem, setProblem, run } = useAct()
  // why a choice is not open
  const closed: Partial<Record<Disposition, string>> = {
    ...(current || worn ? {} : { again: say.itsValuesAreOutOf }),
    ...(others.length ? {} : { other: say.noMachineWithItsTaper }),
  }
  const [disposition, setDisposition] = useState<Disposition>(current && !worn ? 'again' : 'measure')
  const [reason, setReason] = useState('')
  const [minutes, setMinutes] = useState(props.cutMin === null ? '' : String(props.cutMin))
  const [to, setTo] = useState('')
  const [wear, setWear] = useState<WearGoes | null>(null)
  const usedOn = isUsedOn(disposition)
  const form: ReturnForm = { disposition, reason, minutes, to, wear }
  const go = () => {
    const fault = returnFault(form, worn)
    if (fault) return setProblem(FAULTS[fault])
    void run(
      () =>
        unload({
          serial,
          disposition,
          reason: reason.trim(),
          cutMin: minutesOf(minutes),
          ...(disposition === 'other' ? { to } : {}),
          ...(usedOn && worn && wear ? { wear } : {}),
        }),
      ({ sister, tag }) => {
        if (tag) sayScan({ title: serial, text: tag.text, tone: tag.written ? 'holds' : 'off' })
        router.push(sister ? `/tools/${sister}` : pageAfter(disposition, serial, worn))
      },
    )
  }
  return (
    <>
      <h2 className="text-2xl font-bold">{say.whatNext}</h2>
      <Choices disposition={disposition} closed={closed} setDisposition={setDisposition} worn={worn} />
      {disposition === 'other' && (
        <SelectField label={say.to} value={to} onChange={(e) => setTo(e.target.value)}>
          <option value="">{say.choose}</option>
          {others.map((m) => (
            <option key={m.key} value={m.key}>
              {m.name}
            </option>
          ))}
        </SelectField>
      )}
      <WearChoice usedOn={usedOn} worn={worn} wear={wear} setWear={setWear} />
      <div className="mt-2 grid grid-cols-[1fr_116px] gap-3">
        <TextField
          label={say.why}
          value={reason}
          placeholder={say.jobDoneFinishGotRough}
          onChange={(e) => setReason(e.target.value)}
        />
        <NumberField label={say.cuttingTime} unit="min" value={minutes} onChange={(e) => setMinutes(e.target.value)} />
      </div>
      <Foot {...props} problem={problem} go={go} busy={busy} run={run} />
    </>
  )
}

/** What is to be known first, and the press that empties its offset. */
function Foot({
  machine,
  pocket,
  worn,
  ready,
  standIn,
  atDoor,
  seen,
  turn,
  takeOut,
  problem,
  go,
  busy,
  run,
}: UnloadPanelProps & {
  readonly problem: string | null
  readonly go: () => void
  readonly busy: boolean
  readonly run: Run
}) {
  return (
    <div className="mt-auto pt-3">
      {worn && (
        <Say tone="unsure" lead={say.itsWearWasCorrectedIn}>
          {say.theReleasedValuesAreNot}
        </Say>
      )}
      <Problem lead={say.notUnloaded} text={problem} />
      <BigAction onAct={go} disabled={busy || !ready}>
        {busy ? say.emptyingItsOffset : say.unloadFrom(machine.name, pocketText(pocket))}
      </BigAction>
      {standIn && pocket !== null && (
        <SmallActions>
          {pocket !== SPINDLE && !atDoor && (
            <SmallAction onAct={() => void run(() => turn({ machine: machine.key, pocket }))} disabled={busy}>
              {say.turnToPocket(pocket)}
            </SmallAction>
          )}
          {seen && <TakeFromMachine machine={machine.key} pocket={pocket} takeOut={takeOut} busy={busy} run={run} />}
        </SmallActions>
      )}
    </div>
  )
}
