import { useState } from 'react'
import { formatDeviation, typedNumber } from '@/core/units'
import { say } from '@/words/screens/at-machine'
import { BigAction, SmallAction, SmallActions } from '../common/actions'
import { LengthField, NumberField, TextField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import { useUnit } from '../shell/shell-context'
import type { AtMachineProps } from './at-machine-props'

/** How far a station of the turret is off, as a master touched off there shows it. */
export function StationForm({ machine, station }: Pick<AtMachineProps, 'machine' | 'station'>) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [number, setNumber] = useState('')
  const [master, setMaster] = useState('')
  const x = useLength(null, unit)
  const z = useLength(null, unit)
  const at = typedNumber(number)
  const known = Object.entries(machine.stations)
  const put = (off: { readonly xMm: number; readonly zMm: number } | null) =>
    void run(
      () => station({ machine: machine.key, station: at, master, off, version: machine.version }),
      undefined,
      say.stationSaved(at),
    )
  const ready = Number.isInteger(at) && master.trim() !== ''
  return (
    <>
      <p className="text-soft mt-2">{say.stationHow}</p>
      <div className="mt-2 grid grid-cols-2 gap-x-3 gap-y-2">
        <NumberField label={say.station} decimals={false} value={number} onChange={(event) => setNumber(event.target.value)} />
        <TextField label={say.master} value={master} onChange={(event) => setMaster(event.target.value)} />
        <LengthField label={say.stationX} error={x.error} {...x.field} />
        <LengthField label={say.stationZ} error={z.error} {...z.field} />
      </div>
      <ul className="mt-3">
        {known.length === 0 && <li className="text-soft">{say.noStations}</li>}
        {known.map(([name, { xMm, zMm }]) => (
          <li key={name} className="figures border-rule border-b py-1 text-lg">
            {say.stationLine(name, formatDeviation(xMm, unit), formatDeviation(zMm, unit))}
          </li>
        ))}
      </ul>
      <div className="mt-auto pt-2">
        <p className="text-soft mb-2">{say.stationCounts}</p>
        <Problem lead={say.notSaved} text={problem} />
        <BigAction
          disabled={busy || !ready || x.mm === null || z.mm === null}
          onAct={() => x.mm !== null && z.mm !== null && put({ xMm: x.mm, zMm: z.mm })}
        >
          {say.saveStation}
        </BigAction>
        {ready && String(at) in machine.stations && (
          <SmallActions>
            <SmallAction disabled={busy} onAct={() => put(null)}>
              {say.forgetStation}
            </SmallAction>
          </SmallActions>
        )}
      </div>
    </>
  )
}
