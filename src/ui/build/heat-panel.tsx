'use client'
import { useState, type SetStateAction, type Dispatch } from 'react'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { Problem, Say } from '../common/sheet'
import { useAct, type Run } from '../common/use-act'
import { UnitPanel, useUnitState, type AskUnit, type UnitView } from './unit-panel'
import type { Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'

import { say } from '@/words/screens/build'
import { temperatureText } from '@/words/quantity'
import { useUnits } from '../shell/shell-context'

export type CoolingWay = 'contact' | 'cycle' | 'air'

export const COOLING: readonly (readonly [CoolingWay, string])[] = [
  ['contact', say.contactCooling],
  ['cycle', say.unitsCycle],
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
  const units = useUnits()
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
        <Problem lead={say.notYet} text={problem} />
        <ByHand
          heated={heated}
          coil={coil}
          seconds={seconds}
          out={out}
          setHeated={setHeated}
          busy={busy}
          run={run}
          act={act}
          serial={serial}
        />
        <SmallActions>
          <SmallAction onAct={() => setByHand(false)}>{say.useTheConnectedUnit}</SmallAction>
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
      <Problem lead={say.notYet} text={problem} />
      {due === 'heat' && !mine && (
        <div className="mt-2">
          <BigAction disabled={busy || !unit} onAct={heat}>
            {out ? say.heatItOutNow : say.heatItNow}
          </BigAction>
          <SmallActions>
            <SmallAction onAct={() => setByHand(true)}>{say.unitIsNotConnected}</SmallAction>
          </SmallActions>
        </div>
      )}
      {mine?.phase === 'heating' && (
        <Say tone="off" lead={say.heating} role="status">
          {say.itStopsByItselfAt(temperatureText(mine.targetC, units))}
        </Say>
      )}
      {mine?.phase === 'reached' && cold && (
        <>
          <Say tone="off" lead={say.tooColdTheBoreHas} role="alert">
            {say.doNotPushCoolIt}
          </Say>
          <BigAction disabled={busy || !free} onAct={() => cool(true)}>
            {free ? say.startOverCoolInBody(free.body) : say.noCoolingBodyIsFree}
          </BigAction>
        </>
      )}
      <Hot mine={mine} cold={cold} out={out} busy={busy} free={free} cool={cool} />
    </div>
  )
}

/** The nose is open. */
function Hot({
  mine,
  cold,
  out,
  busy,
  free,
  cool,
}: {
  readonly mine: UnitView['heating'] | null
  readonly cold: boolean
  readonly out: HeatPanelProps['out']
  readonly busy: boolean
  readonly free: UnitView['bodies'][number] | undefined
  readonly cool: (failed: boolean) => undefined
}) {
  return (
    mine?.phase === 'reached' &&
    !cold && (
      <>
        <Say tone="off" lead={out ? say.hotPullTheCutterNow : say.hotCutterInNow} role="status">
          {out ? say.byItsShankWithA : say.byItsShankAgainstThe}
        </Say>
        <BigAction disabled={busy || !free} onAct={() => cool(false)}>
          {free ? say.coolInBody(out ? say.cutterOut : say.cutterIn, free.body) : say.noCoolingBodyIsFree}
        </BigAction>
        {!out && (
          <SmallActions>
            <SmallAction disabled={busy || !free} onAct={() => cool(true)}>
              {say.cutterDidNotGoIn}
            </SmallAction>
          </SmallActions>
        )}
      </>
    )
  )
}

/** Without a unit on a line: the heat is told by hand. */
function ByHand({
  heated,
  coil,
  seconds,
  out,
  setHeated,
  busy,
  run,
  act,
  serial,
}: {
  readonly heated: boolean
  readonly coil: HeatPanelProps['coil']
  readonly seconds: HeatPanelProps['seconds']
  readonly out: HeatPanelProps['out']
  readonly setHeated: Dispatch<SetStateAction<boolean>>
  readonly busy: boolean
  readonly run: Run
  readonly act: HeatPanelProps['act']
  readonly serial: HeatPanelProps['serial']
}) {
  return !heated ? (
    <>
      <Say tone="todo" lead={say.coilAboutS(coil, Math.max(1, seconds).toFixed(0))}>
        {out ? say.heatOncePullTheCutter : say.heatOncePushTheCutter}
      </Say>
      <BigAction onAct={() => setHeated(true)}>{out ? say.heatedCutterIsOut : say.heatedCutterIsIn}</BigAction>
    </>
  ) : (
    <>
      <Say tone="todo" lead={say.howIsItCooled}>
        {say.theLaterOfTheUnits}
      </Say>
      <SmallActions>
        {COOLING.map(([way, name]) => (
          <SmallAction key={way} disabled={busy} onAct={() => void run(() => act.byHand({ serial, way }))}>
            {name}
          </SmallAction>
        ))}
      </SmallActions>
    </>
  )
}
