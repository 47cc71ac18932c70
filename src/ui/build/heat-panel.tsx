'use client'
import { useState } from 'react'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct } from '../common/use-act'
import { UnitPanel, useUnitState, type AskUnit } from './unit-panel'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'

export type CoolingWay = 'contact' | 'cycle' | 'air'

export const COOLING: readonly (readonly [CoolingWay, string])[] = [
  ['contact', 'Contact cooling'],
  ['cycle', 'Unit’s cycle'],
  ['air', 'Air'],
]

export interface HeatPanelProps {
  readonly serial: string
  /** What is to be done now: heating, cooling, or nothing here. */
  readonly due: 'heat' | 'cool' | null
  readonly out: boolean
  readonly coil: string
  readonly seconds: number
  readonly greatestC: number | null
  /** Below this the cutter does not go in, °C; null on the way out. */
  readonly leastC: number | null
  readonly act: {
    readonly unit: AskUnit
    readonly heat: Ask<typeof build.startHeat>
    readonly cool: Ask<typeof build.coolDown>
    readonly byHand: Ask<typeof build.shrinkByHand>
    readonly takeOut: Ask<typeof build.takeOut>
  }
}

/** Heating and cooling, by the unit's data line or confirmed by hand; the same on the way in and on the way out. */
export function HeatPanel({ serial, due, out, coil, seconds, greatestC, leastC, act }: HeatPanelProps) {
  const { unit, problem: silent, now } = useUnitState(act.unit)
  const { busy, problem, run } = useAct()
  const [byHand, setByHand] = useState(false)
  const [heated, setHeated] = useState(false)
  const mine = unit?.heating?.serial === serial ? unit.heating : null
  const free = unit?.bodies.find((b) => b.light === 'free')
  const cold = mine?.phase === 'reached' && leastC !== null && mine.noseC < leastC
  const heat = () => void run(() => act.heat({ serial })).then(now)
  const cool = (failed: boolean) => free && void run(() => act.cool({ serial, body: free.body, failed })).then(now)
  if (byHand && due !== null)
    return (
      <div className="border-rule mt-1 border-t pt-2">
        <Problem lead="Not yet." text={problem} />
        {!heated ? (
          <>
            <Say tone="todo" lead={`Coil ${coil}, about ${Math.max(1, seconds).toFixed(0)} s.`}>
              {out
                ? 'Heat once, pull the cutter by its shank with a guard. Gloves with cuffs.'
                : 'Heat once, push the cutter in against the stop, then take the stop away.'}
            </Say>
            <BigAction onAct={() => setHeated(true)}>{out ? 'Heated: cutter is out' : 'Heated: cutter is in'}</BigAction>
          </>
        ) : (
          <>
            <Say tone="todo" lead="How is it cooled?">
              The later of the unit’s light and the computed time counts.
            </Say>
            <SmallActions>
              {COOLING.map(([way, name]) => (
                <SmallAction key={way} disabled={busy} onAct={() => void run(() => act.byHand({ serial, way }))}>
                  {name}
                </SmallAction>
              ))}
            </SmallActions>
          </>
        )}
        <SmallActions>
          <SmallAction onAct={() => setByHand(false)}>Use the connected unit</SmallAction>
        </SmallActions>
      </div>
    )
  return (
    <div className="border-rule mt-1 border-t pt-2">
      <UnitPanel
        unit={unit}
        problem={silent}
        serial={serial}
        greatestC={greatestC}
        takeOut={(s) => void run(() => act.takeOut({ serial: s })).then(now)}
      />
      <Problem lead="Not yet." text={problem} />
      {due === 'heat' && !mine && (
        <div className="mt-2">
          <BigAction disabled={busy || !unit} onAct={heat}>
            {out ? 'Heat it out now' : 'Heat it now'}
          </BigAction>
          <SmallActions>
            <SmallAction onAct={() => setByHand(true)}>Unit is not connected</SmallAction>
          </SmallActions>
        </div>
      )}
      {mine?.phase === 'heating' && (
        <Say tone="off" lead="◆ Heating." role="status">
          It stops by itself at {mine.targetC.toFixed(0)} °C. Hands off the coil.
        </Say>
      )}
      {mine?.phase === 'reached' && cold && (
        <>
          <Say tone="off" lead="◆ Too cold: the bore has closed again." role="alert">
            Do not push. Cool it fully, then start over.
          </Say>
          <BigAction disabled={busy || !free} onAct={() => cool(true)}>
            {free ? `Start over: cool in body ${free.body}` : 'No cooling body is free'}
          </BigAction>
        </>
      )}
      {mine?.phase === 'reached' && !cold && (
        <>
          <Say tone="off" lead={out ? '◆ Hot: pull the cutter now.' : '◆ Hot: cutter in now.'} role="status">
            {out ? 'By its shank, with a guard; one try.' : 'By its shank, against the stop; then take the stop away.'}
          </Say>
          <BigAction disabled={busy || !free} onAct={() => cool(false)}>
            {free ? `${out ? 'Cutter out' : 'Cutter in'}: cool in body ${free.body}` : 'No cooling body is free'}
          </BigAction>
          {!out && (
            <SmallActions>
              <SmallAction disabled={busy || !free} onAct={() => cool(true)}>
                Cutter did not go in: start over
              </SmallAction>
            </SmallActions>
          )}
        </>
      )}
    </div>
  )
}
