import { cloneElement, isValidElement, useId, type HTMLAttributes, type ReactNode } from 'react'

export const FIELD = 'border-ink bg-paper mt-1 h-11 w-full rounded-[3px] border-[1.5px] px-3 text-lg'

/** A field with its name above it, its unit behind the name, and what is wrong below it. */
export function Field({
  name,
  symbol,
  unit,
  error,
  wide = false,
  children,
}: {
  readonly name: ReactNode
  readonly symbol?: string
  readonly unit?: string
  readonly error?: string
  readonly wide?: boolean
  readonly children: ReactNode
}) {
  const fault = useId()
  const field =
    error && isValidElement<HTMLAttributes<HTMLElement>>(children)
      ? cloneElement(children, { 'aria-describedby': fault, 'aria-invalid': true })
      : children
  return (
    <label className={`text-lg leading-tight font-semibold ${wide ? 'col-span-2' : ''}`}>
      {name}
      {symbol && <small className="text-soft ml-1.5 font-normal">{symbol}</small>}
      {unit && <small className="text-soft ml-1.5 font-normal">{unit}</small>}
      {field}
      {error && (
        <span id={fault} role="alert" className="text-off block text-base">
          {error}
        </span>
      )}
    </label>
  )
}
