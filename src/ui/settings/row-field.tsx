'use client'
import { Controller, type UseFormReturn } from 'react-hook-form'
import type { FieldSpec } from '@/core/set-up'
import { choiceName } from '@/words/set-up'
import { say } from '@/words/screens/settings'
import { CouplingField } from '../common/coupling-field'
import { DateField } from '../common/date-field'
import { CheckField, LengthField, NumberField, SelectField, TextField } from '../common/form'

/** Fields as they are typed, by their keys. */
export type Typed = Record<string, string>

/** A field of a row, by what it holds. */
export function RowField({
  name,
  label,
  spec,
  form,
  posts,
  disabled,
}: {
  readonly name: string
  readonly label: string
  readonly spec: FieldSpec
  readonly form: UseFormReturn<Typed>
  readonly posts: readonly string[]
  readonly disabled: boolean
}) {
  const error = form.formState.errors[name]?.message
  const field = {
    label: spec.may ? say.ifAny(label) : label,
    error,
    readOnly: disabled,
    className: disabled ? 'bg-ground' : '',
    ...form.register(name),
  }
  const select = { ...field, readOnly: undefined, disabled }
  switch (spec.kind) {
    case 'length':
      return <LengthField {...field} />
    case 'count':
      return <NumberField {...field} unit={name === 'greatestRpm' ? 'rev/min' : undefined} decimals={false} />
    case 'mass':
      return <NumberField {...field} unit="kg" />
    case 'coupling':
      return <CouplingField {...select} nothing={say.chooseOne} />
    case 'day':
      return (
        <Controller
          control={form.control}
          name={name}
          render={({ field: { value, onChange } }) => <DateField label={label} error={error} value={value} take={onChange} />}
        />
      )
    case 'yes':
      return (
        <Controller
          control={form.control}
          name={name}
          render={({ field: { value, onChange } }) => (
            <CheckField
              label={label}
              className="self-end"
              checked={value === 'yes'}
              disabled={disabled}
              onChange={(event) => onChange(event.target.checked ? 'yes' : 'no')}
            />
          )}
        />
      )
    case 'choice':
    case 'post':
      return (
        <SelectField {...select}>
          {spec.standard === undefined && <option value="">{say.chooseOne}</option>}
          {(spec.choices ?? posts).map((choice) => (
            <option key={choice} value={choice}>
              {choiceName(choice)}
            </option>
          ))}
        </SelectField>
      )
    default:
      return <TextField {...field} autoComplete="off" />
  }
}
