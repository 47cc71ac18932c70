import { useState } from 'react'
import { TOUCH_OFF_METHODS, TOUCH_OFF_VALUES, type TouchOffMethod, type TouchOffValue } from '@/core/tool'
import { typedNumber } from '@/core/units'
import { say } from '@/words/screens/at-machine'
import { BigAction } from '../common/actions'
import { CheckField, LengthField, NumberField, SelectField } from '../common/form'
import { Problem } from '../common/sheet'
import { useAct } from '../common/use-act'
import { useLength } from '../common/use-length'
import { useUnit } from '../shell/shell-context'
import type { AtMachineProps } from './at-machine-props'

/** A value that was found at the machine, with how long it stood for it. */
export function NoteForm({ machine, note }: Pick<AtMachineProps, 'machine' | 'note'>) {
  const unit = useUnit()
  const { busy, problem, run } = useAct()
  const [what, setWhat] = useState<TouchOffValue>(machine.kind === 'lathe' ? 'X zero' : 'length')
  const [method, setMethod] = useState<TouchOffMethod>('by hand')
  const [t, setT] = useState('')
  const [minutes, setMinutes] = useState('')
  const [looked, setLooked] = useState(false)
  const value = useLength(null, unit)
  const [number, stood] = [typedNumber(t.replace(/^t/i, '')), typedNumber(minutes)]
  const ready = Number.isInteger(number) && number > 0 && stood >= 0 && value.mm !== null
  const send = () =>
    value.mm !== null &&
    void run(
      () => note({ machine: machine.key, t: number, what, method, valueMm: value.mm!, minutes: stood, looked }),
      () => {
        value.clear()
        setT('')
        setMinutes('')
        setLooked(false)
      },
      say.saved(number, what),
    )
  return (
    <>
      <div className="mt-2 flex flex-col gap-2">
        <div className="grid grid-cols-2 gap-3">
          <NumberField label={say.t} decimals={false} value={t} onChange={(event) => setT(event.target.value)} />
          <SelectField label={say.what} value={what} onChange={(event) => setWhat(event.target.value as TouchOffValue)}>
            {TOUCH_OFF_VALUES.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </SelectField>
        </div>
        <LengthField label={say.found} error={value.error} {...value.field} />
        <div className="grid grid-cols-2 gap-3">
          <SelectField label={say.method} value={method} onChange={(event) => setMethod(event.target.value as TouchOffMethod)}>
            {TOUCH_OFF_METHODS.map((one) => (
              <option key={one}>{one}</option>
            ))}
          </SelectField>
          <NumberField label={say.stood} unit="min" value={minutes} onChange={(event) => setMinutes(event.target.value)} />
        </div>
        <CheckField label={say.looked} checked={looked} onChange={(event) => setLooked(event.target.checked)} />
      </div>
      <div className="mt-auto pt-2">
        <Problem lead={say.notSaved} text={problem} />
        <BigAction disabled={busy || !ready} onAct={send}>
          {say.save}
        </BigAction>
      </div>
    </>
  )
}
