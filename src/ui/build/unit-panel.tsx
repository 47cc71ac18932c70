'use client'
import dynamic from 'next/dynamic'
import { Say } from '../common/sheet'
import { usePolled } from '../common/use-polled'
import type { Answer, Ask } from '@/stations/contract'
import type * as build from '@/stations/build/contract'
import { say } from '@/words/screens/build'
import { temperatureText } from '@/words/quantity'
import { useUnits } from '../shell/shell-context'
import { toRead } from '@/core/units'

/** What the unit shows. */
export type UnitView = Answer<typeof build.unitState>
export type AskUnit = Ask<typeof build.unitState>

const Curve = dynamic(() => import('./curve').then((m) => m.Curve), { ssr: false, loading: () => <div className="h-[150px]" /> })

/** Asks the unit twice a second while it is looked at. */
export function useUnitState(ask: AskUnit) {
  const { value: unit, problem, now } = usePolled(ask, say.noAnswerFromTheTool)
  return { unit, problem, now }
}

/** The unit's display: the curve of the nose that is looked at, and the cooling bodies. */
export function UnitPanel({
  unit,
  problem,
  serial,
  greatestC,
  takeOut,
}: {
  readonly unit: UnitView | null
  readonly problem: string | null
  readonly serial: string | null
  readonly greatestC: number | null
  readonly takeOut: (serial: string) => void
}) {
  const units = useUnits()
  if (problem)
    return (
      <Say tone="off" lead={say.theShrinkUnit}>
        {problem}
      </Say>
    )
  if (!unit) return <p className="text-soft py-2">{say.askingTheShrinkUnit}</p>
  const mine =
    unit.heating?.serial === serial ? unit.heating : (unit.bodies.find((b) => b.serial !== null && b.serial === serial) ?? null)
  return (
    <div>
      {mine && mine.noseC !== null && (
        <>
          <div className="flex items-baseline justify-between">
            <span className="font-semibold">
              {say.noseOf} {serial}
            </span>
            <span className="figures text-[32px] leading-none font-bold" data-testid="nose-temperature">
              {toRead(mine.noseC, 'temperature', units).toFixed(0)}{' '}
              <small className="text-soft text-lg font-medium">
                {units.temperature}
                {unit.simulated && say.simulated}
              </small>
            </span>
          </div>
          <Curve points={mine.curve} limitC={greatestC} targetC={unit.heating?.serial === serial ? unit.heating.targetC : null} />
        </>
      )}
      <ul className="grid grid-cols-4 gap-2" aria-label={say.coolingBodies}>
        {unit.bodies.map((b) => (
          <li key={b.body} className="border-rule flex min-h-[62px] flex-col border p-1.5 leading-tight">
            <span className="text-soft text-[14px]">
              {say.bodyName(b.body)}
              {unit.simulated && b.noseC !== null && say.simulated}
            </span>
            {b.serial === null ? (
              <b className="font-head text-soft">{say.free}</b>
            ) : (
              <>
                <b className={`font-head ${b.light === 'cool' ? 'text-holds' : 'text-off'}`}>
                  {b.light === 'cool' ? say.cool : say.hot} {b.noseC !== null && temperatureText(b.noseC, units)}
                </b>
                {b.light === 'cool' ? (
                  <button
                    type="button"
                    className="text-act min-h-11 text-left text-[15px] font-semibold"
                    onClick={() => takeOut(b.serial!)}
                  >
                    {say.takeOut(b.serial)}
                  </button>
                ) : (
                  <span className="text-[14px]">{b.serial}</span>
                )}
              </>
            )}
          </li>
        ))}
      </ul>
    </div>
  )
}
