'use client'
import { useId, type ComponentProps, type ReactNode } from 'react'
import { typedNumber, unitMark } from '@/core/units'
import { useUnit } from '../shell/shell-context'

interface Named {
  readonly label: ReactNode
  /** The symbol of the field's standard, small beside the word. */
  readonly symbol?: string
  readonly unit?: string
  /** What is wrong with it, below it. */
  readonly error?: string
  /** Over both columns of the form. */
  readonly wide?: boolean
}

/** What a field tells its control: who names it, and what is wrong with it. */
export interface Told {
  readonly id: string
  readonly 'aria-describedby'?: string
  readonly 'aria-invalid'?: true
}

/** Name above, unit behind the name, fault below, which is no part of the name; `children` is the control. */
export function Field({
  label,
  symbol,
  unit,
  error,
  wide = false,
  children,
}: Named & {
  readonly children: (told: Told) => ReactNode
}) {
  const id = useId()
  const fault = `${id}-fault`
  return (
    <div className={`field ${wide ? 'col-span-2' : ''}`}>
      <label htmlFor={id}>
        {label}
        {symbol && <small>{symbol}</small>}
        {unit && <small>{unit}</small>}
      </label>
      {children({ id, ...(error ? { 'aria-describedby': fault, 'aria-invalid': true } : {}) })}
      {error && (
        <span id={fault} role="alert" className="text-off block text-base">
          {error}
        </span>
      )}
    </div>
  )
}

const parted = <P extends Named>({ label, symbol, unit, error, wide, ...control }: P) => ({
  named: { label, symbol, unit, error, wide },
  control,
})

type InputField = Named & ComponentProps<'input'>

export function TextField(props: InputField) {
  const { named, control } = parted(props)
  return <Field {...named}>{(told) => <input {...control} {...told} className={`input ${control.className ?? ''}`} />}</Field>
}

/** A figure that people type: pieces, speeds, kilograms. What it may be is said by the form's schema, not here. */
export function NumberField({ decimals = true, ...props }: InputField & { readonly decimals?: boolean }) {
  return <TextField inputMode={decimals ? 'decimal' : 'numeric'} {...props} className={`figures ${props.className ?? ''}`} />
}

/** How a form takes a number that people type with a point or a comma; what is none is told by the contract. */
export const AS_NUMBER = {
  setValueAs: (typed: unknown): number => typedNumber(String(typed)),
}

/** A length as people type it (`19.05`, `3/4 in`, `0,5`); without a unit it is in the reader's. */
export function LengthField(props: Omit<InputField, 'unit'>) {
  return <NumberField {...props} unit={unitMark(useUnit())} />
}

export function SelectField({ children, ...props }: Named & ComponentProps<'select'>) {
  const { named, control } = parted(props)
  return (
    <Field {...named}>
      {(told) => (
        <select {...control} {...told} className={`select ${control.className ?? ''}`}>
          {children}
        </select>
      )}
    </Field>
  )
}

export function AreaField(props: Named & ComponentProps<'textarea'>) {
  const { named, control } = parted(props)
  return (
    <Field {...named}>{(told) => <textarea {...control} {...told} className={`textarea ${control.className ?? ''}`} />}</Field>
  )
}

/** A tick with its word beside it, large enough for a glove. */
export function CheckField({ label, className = '', ...control }: { readonly label: ReactNode } & ComponentProps<'input'>) {
  return (
    <label className={`flex min-h-11 items-center gap-3 text-lg font-semibold ${className}`}>
      <input type="checkbox" {...control} className="checkbox checkbox-primary" />
      {label}
    </label>
  )
}
