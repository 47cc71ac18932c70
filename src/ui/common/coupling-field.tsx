'use client'
import type { ComponentProps } from 'react'
import { say } from '@/words/screens/shell'
import { useShell } from '../shell/shell-context'
import { SelectField } from './form'

/** Choice of a coupling: what the shop's machines have first. */
export function CouplingField({
  nothing,
  ...field
}: Omit<ComponentProps<typeof SelectField>, 'children'> & {
  /** What it says while none is chosen; left out where one must be. */
  readonly nothing?: string
}) {
  const { used, others } = useShell().couplings
  const options = (names: readonly string[]) => names.map((name) => <option key={name}>{name}</option>)
  return (
    <SelectField {...field}>
      {nothing !== undefined && <option value="">{nothing}</option>}
      {used.length ? (
        <>
          <optgroup label={say.couplingsHere}>{options(used)}</optgroup>
          <optgroup label={say.otherCouplings}>{options(others)}</optgroup>
        </>
      ) : (
        options(others)
      )}
    </SelectField>
  )
}

/** The one that is offered first. */
export function useFirstCoupling(): string {
  const { used, others } = useShell().couplings
  return used[0] ?? others[0] ?? ''
}
