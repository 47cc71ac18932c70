'use client'
import { useGo } from '../common/going'
import { useState } from 'react'
import { hoursAvoided, payBackYears, RATE_PER_HOUR } from '@/core/stats'
import { typedNumber } from '@/core/units'
import type { StopMinutes } from '@/stations/records/contract'
import { say } from '@/words/screens/months'
import { DaysSelect } from '../common/days-select'
import { NumberField } from '../common/form'
import { PrintButton } from '../common/print-button'
import { Row, Sheet, Title } from '../common/sheet'
import { RECORDS_TABS, SubNav } from '../common/sub-nav'
import { SmallActions } from '../common/actions'

/** Of a tool set at the machine where nobody noted any, minutes, and what a bench costs (all of them invented to begin with). */
const [AT_MACHINE_MIN, OFF_MIN, PRICE, TOOLS_A_YEAR] = [12, 3, 40_000, 500]
const LEAST = 5

export interface WorthProps {
  readonly days: number
  readonly loads: number
  readonly stops: readonly StopMinutes[]
  readonly refusals: readonly { readonly where: string; readonly text: string; readonly count: number }[]
}

/** What the months say: how long machines stood, what was refused, and what that is worth. */
export function WorthStation({ days, loads, stops, refusals }: WorthProps) {
  const router = useGo()
  return (
    <Sheet
      left={
        <>
          <SubNav tabs={RECORDS_TABS} label={say.worth} />
          <div className="flex items-end justify-between gap-3">
            <Title lead={say.worth}>{say.worthAbout(loads)}</Title>
            <DaysSelect days={days} choose={(chosen) => router.push(`/records/worth?days=${chosen}`)} />
          </div>
          <h2 className="text-2xl font-bold">{say.stops}</h2>
          {stops.length === 0 ? (
            <p className="text-soft text-lg">{say.noStops}</p>
          ) : (
            <table className="table max-w-[560px] text-lg">
              <thead>
                <tr>
                  <th>{say.stopColumns.method}</th>
                  <th className="text-right">{say.stopColumns.count}</th>
                  <th className="text-right">{say.stopColumns.minutes}</th>
                </tr>
              </thead>
              <tbody>
                {stops.map(({ method, count, minutes }) => (
                  <tr key={method}>
                    <td>{method}</td>
                    <td className="figures text-right">{count}</td>
                    <td className="figures text-right">{say.minutes(minutes)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <h2 className="mt-3 text-2xl font-bold">{say.refusals}</h2>
          {refusals.length === 0 && <p className="text-soft text-lg">{say.noRefusals}</p>}
          <ul className="max-w-[820px]">
            {refusals.map(({ where, text, count }, i) => (
              <li
                key={i}
                className="border-rule grid grid-cols-[110px_minmax(0,1fr)_auto] items-baseline gap-4 border-b py-1.5 text-lg"
              >
                <b className="font-head">{where}</b>
                <span>{text}</span>
                <span className="figures whitespace-nowrap">{say.times(count)}</span>
              </li>
            ))}
          </ul>
        </>
      }
      right={<Arithmetic days={days} loads={loads} stops={stops} />}
    />
  )
}

/** Hours avoided, what they cost, and when it has paid for itself; every figure can be changed. */
function Arithmetic({ days, loads, stops }: Pick<WorthProps, 'days' | 'loads' | 'stops'>) {
  // fewer than that say nothing yet
  const known = stops.filter((s) => s.count >= LEAST)
  const off = known.find((s) => s.method === 'presetter')?.minutes
  const at = known.filter((s) => s.method !== 'presetter').sort((a, b) => b.count - a.count)[0]?.minutes
  const [tools, setTools] = useState(String(loads >= LEAST ? Math.round((loads * 365) / days) : TOOLS_A_YEAR))
  const [atMachine, setAtMachine] = useState((at ?? AT_MACHINE_MIN).toFixed(1))
  const [offMachine, setOffMachine] = useState((off ?? OFF_MIN).toFixed(1))
  const [rate, setRate] = useState(String(RATE_PER_HOUR))
  const [price, setPrice] = useState(String(PRICE))
  const hours = hoursAvoided(typedNumber(tools), typedNumber(atMachine), typedNumber(offMachine))
  const saved = hours * typedNumber(rate)
  const years = payBackYears(typedNumber(price), saved)
  return (
    <>
      <h2 className="mb-1 text-2xl font-bold">{say.arithmetic}</h2>
      <div className="flex flex-col gap-2">
        <NumberField label={say.tools} value={tools} onChange={(e) => setTools(e.target.value)} />
        <NumberField label={say.minutesAtMachine} unit="min" value={atMachine} onChange={(e) => setAtMachine(e.target.value)} />
        <NumberField label={say.minutesOff} unit="min" value={offMachine} onChange={(e) => setOffMachine(e.target.value)} />
        <NumberField label={say.rate} value={rate} onChange={(e) => setRate(e.target.value)} />
        <NumberField label={say.price} value={price} onChange={(e) => setPrice(e.target.value)} />
      </div>
      <div className="mt-auto pt-3">
        <Row name={say.hours}>{Number.isFinite(hours) ? Math.round(hours) : '–'}</Row>
        <Row name={say.saved}>{Number.isFinite(saved) ? say.money(saved) : '–'}</Row>
        <Row name={say.payBack}>{years === null || !Number.isFinite(years) ? say.never : say.years(years)}</Row>
        <p className="text-soft mt-1">{say.formula}</p>
        <SmallActions>
          <PrintButton />
        </SmallActions>
      </div>
    </>
  )
}
