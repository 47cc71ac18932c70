'use client'
import { useState } from 'react'
import { DISTURBANCES, type PartDisposition } from '@/core/tool'
import type { Removal } from '@/core/fits'
import { SmallAction, SmallActions } from '../common/actions'
import { TextField } from '../common/form'
import { Cautions, Problem, Row, Say } from '../common/sheet'
import { formatTime } from '../format/due'
import { useAct } from '../common/use-act'
import { HeatPanel } from './heat-panel'
import type { AskUnit } from './unit-panel'
import { fitsText } from '@/words/fits'
import { useUnits } from '../shell/shell-context'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'
import { say } from '@/words/screens/build'
import { temperatureText } from '@/words/quantity'

export interface ApartPanelProps {
  readonly serial: string
  readonly parts: readonly {
    readonly component: string
    readonly name: string
    readonly count: number
    readonly place: string | null
    /** A cutter or an insert. */
    readonly cuts: boolean
  }[]
  readonly heat: Removal | null
  /** Worn or broken: its cutting parts are offered as scrap first. */
  readonly scrapFirst: boolean
  readonly lead: boolean
  readonly unit: AskUnit
  readonly heatOut: Ask<typeof build.heatOut>
  readonly coolOut: Ask<typeof build.coolOut>
  readonly heatOutByHand: Ask<typeof build.heatOutByHand>
  readonly takeOut: Ask<typeof build.takeOut>
  readonly takeApart: Ask<typeof build.takeApart>
}

/** What becomes of each part when the tool is taken apart. */
export function ApartPanel(props: ApartPanelProps) {
  const { serial, parts, heat, scrapFirst, takeApart } = props
  const { busy, problem, run } = useAct()
  const [open, setOpen] = useState(false)
  const [dispositions, setDispositions] = useState<Record<string, { to: PartDisposition['to']; wear: string }>>({})
  if (!open)
    return (
      <SmallActions>
        <SmallAction onAct={() => setOpen(true)}>{say.takeApart}</SmallAction>
      </SmallActions>
    )
  const first = (component: string): PartDisposition['to'] =>
    scrapFirst && parts.find((p) => p.component === component)?.cuts ? 'scrap' : 'back'
  const disposition = (component: string) => dispositions[component] ?? { to: first(component), wear: '' }
  const set = (component: string, change: Partial<{ to: PartDisposition['to']; wear: string }>) =>
    setDispositions((all) => ({ ...all, [component]: { ...disposition(component), ...change } }))
  return (
    <div className="border-rule mt-3 border-t pt-2">
      <h2 className="text-2xl font-bold">{say.takeApartTitle}</h2>
      {heat && <HeatOut {...props} heat={heat} />}
      <ul>
        {parts.map(({ component, name, count, place }) => (
          <li key={component} className="border-rule border-b py-1.5">
            <div className="flex items-center gap-2">
              <span className="min-w-0 flex-1 leading-tight">
                {count > 1 ? `${count} × ` : ''}
                {name}
              </span>
              {(['back', 'scrap'] as const).map((to) => (
                <button
                  key={to}
                  type="button"
                  aria-pressed={disposition(component).to === to}
                  className="btn btn-outline px-3"
                  onClick={() => set(component, { to })}
                >
                  {to === 'back' ? `back${place ? say.toPlace(place) : ''}` : say.scrap}
                </button>
              ))}
            </div>
            <input
              className="input"
              aria-label={say.wearOf(name)}
              placeholder={say.wearSeenIfAny}
              value={disposition(component).wear}
              onChange={(e) => set(component, { wear: e.target.value })}
            />
          </li>
        ))}
      </ul>
      <Problem lead={say.notTakenApart} text={problem} />
      <div className="mt-2.5">
        <SmallActions>
          <SmallAction onAct={() => setOpen(false)}>{say.cancel}</SmallAction>
          <SmallAction
            disabled={busy || (heat !== null && !heat.heated)}
            onAct={() =>
              void run(() =>
                takeApart({
                  serial,
                  dispositions: parts.map((p) => ({ component: p.component, count: p.count, ...disposition(p.component) })),
                }),
              )
            }
          >
            {say.saveTakenApart}
          </SmallAction>
        </SmallActions>
      </div>
    </div>
  )
}

/** Heating out is led like heating in: joint, coil, temperature, one heat, then cool. */
function HeatOut({ serial, heat, lead, ...props }: ApartPanelProps & { readonly heat: Removal }) {
  const units = useUnits()
  const [coil, setCoil] = useState(false)
  const [reason, setReason] = useState('')
  const asked = heat.leadFor.length ? reason.trim() || null : null
  const may = heat.leadFor.length === 0 || (lead && reason.trim().length >= 5)
  if (heat.heated)
    return (
      <Say tone="unsure" lead={say.heatedOutHotMetalLooks}>
        {heat.hotUntil ? say.earliestTimeToTouchComputed(formatTime(heat.hotUntil)) : say.followTheUnitsLight}
      </Say>
    )
  return (
    <>
      <Row name={say.joint}>{heat.joint ?? heat.jointName}</Row>
      <Row name={say.coil}>{heat.coil}</Row>
      <Row name={say.heatTo}>
        {Number.isFinite(heat.temperatureC) ? temperatureText(heat.temperatureC, units) : '–'}{' '}
        <small className="text-soft">{say.holderLimit(temperatureText(heat.greatestC, units))}</small>
      </Row>
      {heat.steelShank && (
        <Say tone="unsure" lead={say.steelShank}>
          {say.itExpandsLikeTheHolder}
        </Say>
      )}
      {heat.leadFor.length > 0 && (
        <Say tone="off" lead={say.onlyALeadCanGo}>
          {heat.leadFor.map((r) => fitsText(r, units)).join(' ')}
        </Say>
      )}
      {heat.leadFor.length > 0 && lead && (
        <TextField label={say.leadApprovalReason} value={reason} onChange={(e) => setReason(e.target.value)} />
      )}
      {heat.hotUntil ? (
        <Say tone="off" lead={say.stillWarm}>
          {say.oneHeatThenCoolFully(formatTime(heat.hotUntil))}
        </Say>
      ) : !coil ? (
        <SmallActions>
          <SmallAction disabled={!may} onAct={() => setCoil(true)}>
            {say.coilIsSet(heat.coil)}
          </SmallAction>
        </SmallActions>
      ) : (
        <HeatPanel
          serial={serial}
          due="heat"
          out
          coil={heat.coil}
          seconds={heat.heatingS}
          greatestC={heat.greatestC}
          leastC={null}
          act={{
            unit: props.unit,
            heat: () => props.heatOut({ serial, reason: asked }),
            cool: ({ body }) => props.coolOut({ serial, body }),
            byHand: ({ way }) => props.heatOutByHand({ serial, way, reason: asked }),
            takeOut: props.takeOut,
          }}
        />
      )}
      <Cautions lines={[say.hotMetalLooksLikeCold, say.coolItFullyNeverQuench]} />
    </>
  )
}

/** A tool that was called worn or broken by mistake. */
export function ConditionPanel({
  serial,
  condition,
  correct,
}: {
  readonly serial: string
  readonly condition: 'worn' | 'broken'
  readonly correct: Ask<typeof build.correctCondition>
}) {
  const { busy, problem, run } = useAct()
  const [reason, setReason] = useState('')
  return (
    <details>
      <summary className="fold">{say.itIsNot(condition)}</summary>
      <TextField label={say.whyItWasReported(condition)} value={reason} onChange={(e) => setReason(e.target.value)} />
      <Problem lead={say.notChanged} text={problem} />
      <SmallActions>
        <SmallAction disabled={busy} onAct={() => void run(() => correct({ serial, reason }))}>
          {say.correctItsCondition}
        </SmallAction>
      </SmallActions>
    </details>
  )
}

/** Something happened to the tool: it has to be measured again. */
export function HappenedPanel({ serial, disturb }: { readonly serial: string; readonly disturb: Ask<typeof build.disturb> }) {
  const { busy, problem, run } = useAct()
  return (
    <details>
      <summary className="fold">{say.reportDamage}</summary>
      <p className="text-soft">{say.theToolMustBeMeasured}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        {DISTURBANCES.map((what) => (
          <button
            key={what}
            type="button"
            disabled={busy}
            className="btn btn-outline"
            onClick={() => void run(() => disturb({ serial, what }))}
          >
            {what}
          </button>
        ))}
      </div>
      <Problem lead={say.notSaved} text={problem} />
    </details>
  )
}
