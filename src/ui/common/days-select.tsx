import { say } from '@/words/screens/months'
import { SelectField } from './form'

const DAYS = [30, 90, 365] as const

/** Over how long a sheet looks back. */
export const DaysSelect = ({ days, choose }: { readonly days: number; readonly choose: (days: number) => void }) => (
  <SelectField label={say.days} value={days} onChange={(e) => choose(Number(e.target.value))}>
    {(DAYS as readonly number[]).includes(days) ? null : <option value={days}>{say.lastDays(days)}</option>}
    {DAYS.map((one) => (
      <option key={one} value={one}>
        {say.lastDays(one)}
      </option>
    ))}
  </SelectField>
)
