'use client'
import { choiceText, PROPERTY_NAMES } from '@/words/properties'
import { type UseFormRegister, type FieldErrors } from 'react-hook-form'
import { isText, specOf, UNIT_OF, type PropertyKey } from '@/core/tool'
import { unitMark, type Units, isQuantity } from '@/core/units'
import { CouplingField } from '../common/coupling-field'
import { NumberField, SelectField, TextField } from '../common/form'
import { say } from '@/words/screens/library'

/** What the part is and measures. */
export function Fields({
  errors,
  register,
  part,
  keys,
  units,
  has,
}: {
  readonly errors: FieldErrors<Record<string, string>>
  readonly register: UseFormRegister<Record<string, string>>
  readonly part: Readonly<Record<string, unknown>> | null
  readonly keys: readonly PropertyKey[]
  readonly units: Units
  readonly has: readonly PropertyKey[]
}) {
  return (
    <div className="grid grid-cols-3 gap-x-4 gap-y-2.5 max-[900px]:grid-cols-2">
      <TextField label={say.number} error={errors.id?.message} {...register('id')} readOnly={part !== null} />
      <TextField label={say.name} wide error={errors.name?.message} {...register('name')} />
      {keys.map((key) => {
        const { symbol, quantity, choices } = specOf(key)
        const shown = quantity === 'length' ? unitMark(units.length) : isQuantity(quantity) ? units[quantity] : UNIT_OF[quantity]
        const named = {
          label: `${PROPERTY_NAMES[key]}${has.includes(key) ? '' : say.ifItHasOne}`,
          symbol,
          unit: shown,
          error: errors[key]?.message,
          ...register(key),
        }
        if (quantity === 'coupling') return <CouplingField key={key} {...named} nothing={say.choose} />
        if (!choices) return <TextField key={key} {...named} inputMode={isText(key) ? 'text' : 'decimal'} />
        return (
          <SelectField key={key} {...named}>
            <option value="">{say.choose}</option>
            {choices.map((c) => (
              <option key={c} value={c}>
                {choiceText(c)}
              </option>
            ))}
          </SelectField>
        )
      })}
      <TextField label={say.makersNumberTitle} {...register('makerNumber')} />
      <NumberField label={say.price} error={errors.price?.message} {...register('price')} />
      <NumberField
        label={say.keepAtLeastTitle}
        unit="pieces"
        error={errors.leastStock?.message}
        decimals={false}
        {...register('leastStock')}
      />
      <TextField label={say.note} wide {...register('note')} />
    </div>
  )
}
