'use client'
import { pocketText } from '@/words/pocket'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { SPINDLE } from '@/core/tool'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Field, FIELD } from '../common/form'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useShell } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as back from '@/stations/return/contract'
import type * as standIn from '@/stations/stand-in/contract'
import type { Disposition } from '@/stations/return/contract'
import { say } from '@/words/screens/return'

type WearGoes = 'kept' | 'cleared'

const DISPOSITIONS: readonly (readonly [Disposition, string, string])[] = [
  ['again', say.useAgainHere, say.itsOffsetsStayValid],
  ['other', say.otherMachine, 'with a new hand-over'],
  ['measure', say.measureAgain, say.thenUseAgain],
  ['apart', say.takeApart, say.notNeeded],
  ['scrap', say.wornOut, say.scrapWhatIsWorn],
  ['broken', 'Broken', say.itsSisterToolTakesOver],
]

export interface UnloadPanelProps {
  readonly serial: string
  readonly machine: { readonly key: string; readonly name: string }
  readonly pocket: number | null
  readonly worn: boolean
  /** Its hand-over is still current. */
  readonly current: boolean
  readonly ready: boolean
  /** By the control's own count. */
  readonly cutMin: number | null
  /** Machines of the same taper. */
  readonly others: readonly { readonly key: string; readonly name: string }[]
  /** A stand-in has no hands of its own. */
  readonly standIn: boolean
  readonly atDoor: boolean
  /** Its pocket’s switch, or the spindle’s, still sees it. */
  readonly seen: boolean
  readonly unload: Ask<typeof back.unloadTool>
  readonly turn: Ask<typeof back.turnForReturn>
  readonly takeOut: Ask<typeof standIn.takeFromMachine>
}

/** What becomes of a tool that comes out, with a reason; the row of the machine is emptied first. */
export function UnloadPanel(props: UnloadPanelProps) {
  const { serial, machine, pocket, worn, current, ready, others, unload } = props
  const router = useRouter()
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
  const usedOn = disposition === 'again' || disposition === 'other'
  const go = () => {
    const cutMin = minutes.trim() === '' ? 0 : Number(minutes.replace(',', '.'))
    if (!Number.isFinite(cutMin) || cutMin < 0) return setProblem(say.theMinutesAreNotA)
    if (reason.trim().length < 3) return setProblem(say.sayWhyInAFew)
    if (disposition === 'other' && !to) return setProblem(say.chooseTheMachineItGoes)
    if (usedOn && worn && !wear) return setProblem(say.chooseWhatToDoWith)
    const handOver = `/hand-over/${serial}`
    const next = {
      again: worn ? handOver : `/tools/${serial}`,
      other: handOver,
      measure: `/measure/${serial}`,
      apart: `/tools/${serial}`,
      scrap: `/tools/${serial}`,
      broken: '/kit/now',
    }[disposition]
    void run(
      () =>
        unload({
          serial,
          disposition,
          reason: reason.trim(),
          cutMin,
          ...(disposition === 'other' ? { to } : {}),
          ...(usedOn && worn && wear ? { wear } : {}),
        }),
      ({ sister, tag }) => {
        if (tag) sayScan({ title: serial, text: tag.text, tone: tag.written ? 'holds' : 'off' })
        router.push(sister ? `/tools/${sister}` : next)
      },
    )
  }
  return (
    <>
      <h2 className="text-2xl font-bold">{say.whatNext}</h2>
      <div role="radiogroup" aria-label={say.whatNext} className="mt-2 grid grid-cols-2 gap-1.5">
        {DISPOSITIONS.map(([key, name, about]) => (
          <label
            key={key}
            className="border-rule has-checked:border-act has-disabled:text-soft flex min-h-[56px] items-center gap-2.5 border-[1.5px] px-2.5"
          >
            <input
              type="radio"
              name="disposition"
              className="h-5 w-5 shrink-0 accent-[var(--color-act)]"
              checked={disposition === key}
              disabled={key in closed}
              onChange={() => setDisposition(key)}
            />
            <span className="leading-tight">
              <span className="font-head block text-[19px] font-semibold">{name}</span>
              <span className="text-soft text-[15px]">
                {closed[key] ?? (key === 'again' && worn ? 'with a new hand-over' : about)}
              </span>
            </span>
          </label>
        ))}
      </div>
      {disposition === 'other' && (
        <Field name={say.to}>
          <select className={FIELD} value={to} onChange={(e) => setTo(e.target.value)}>
            <option value="">{say.choose}</option>
            {others.map((m) => (
              <option key={m.key} value={m.key}>
                {m.name}
              </option>
            ))}
          </select>
        </Field>
      )}
      {usedOn && worn && (
        <div role="radiogroup" aria-label={say.whatAboutItsWear} className="mt-2 flex gap-4">
          {(['kept', 'cleared'] as const).map((key) => (
            <label key={key} className="flex min-h-11 items-center gap-2 text-lg font-semibold">
              <input
                type="radio"
                name="wear"
                className="h-5 w-5 accent-[var(--color-act)]"
                checked={wear === key}
                onChange={() => setWear(key)}
              />
              {key === 'kept' ? say.keepItsWear : say.clearItsWear}
            </label>
          ))}
        </div>
      )}
      <div className="mt-2 grid grid-cols-[1fr_116px] gap-3">
        <Field name={say.why}>
          <input
            className={FIELD}
            value={reason}
            placeholder={say.jobDoneFinishGotRough}
            onChange={(e) => setReason(e.target.value)}
          />
        </Field>
        <Field name={say.cuttingTime} unit="min">
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
          <Say tone="unsure" lead={say.itsWearWasCorrectedIn}>
            {say.theReleasedValuesAreNot}
          </Say>
        )}
        <Problem lead={say.notUnloaded} text={problem} />
        <BigAction onAct={go} disabled={busy || !ready}>
          {busy ? say.emptyingItsOffset : say.unloadFrom(machine.name, pocketText(pocket))}
        </BigAction>
        {props.standIn && pocket !== null && (
          <SmallActions>
            {pocket !== SPINDLE && !props.atDoor && (
              <SmallAction onAct={() => void run(() => props.turn({ machine: machine.key, pocket }))} disabled={busy}>
                {say.turnToPocket(pocket)}
              </SmallAction>
            )}
            {props.seen && (
              <SmallAction
                onAct={() => void run(() => props.takeOut({ machine: machine.key, byHand: pocket === SPINDLE }))}
                disabled={busy}
              >
                {say.standInMachineTakeIt}
              </SmallAction>
            )}
          </SmallActions>
        )}
      </div>
    </>
  )
}
