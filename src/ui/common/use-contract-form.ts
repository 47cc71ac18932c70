'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm, type DefaultValues, type FieldPath, type Resolver } from 'react-hook-form'
import type { z } from 'zod'
import type { Answer, Ask, Asked, Contract } from '@/stations/contract'
import { fieldText } from '@/words/faults'
import { useAct } from './use-act'

/**
 * A form over what a verb takes: its fields are checked by the contract's own schema before anything is asked, and told in
 * the same words as the verb would.
 * @param start what stands in it at first, and again after it was sent
 */
export function useContractForm<C extends Contract<z.ZodType<object, object>>>(
  contract: C,
  ask: Ask<C>,
  start: DefaultValues<Asked<C>>,
  {
    then,
    said,
  }: { readonly then?: (answer: Answer<C>, given: Asked<C>) => void; readonly said?: (given: Asked<C>) => string } = {},
) {
  const { busy, problem, run } = useAct()
  const form = useForm<Asked<C>, unknown, Asked<C>>({
    // what was typed is sent, and parsed once more where it arrives
    resolver: zodResolver(contract.input as never, undefined, { raw: true }) as unknown as Resolver<Asked<C>, unknown, Asked<C>>,
    defaultValues: start,
  })
  const submit = form.handleSubmit((given) =>
    run(
      () => ask(given),
      (answer) => {
        form.reset(start as Asked<C>)
        then?.(answer, given)
      },
      said?.(given),
    ),
  )
  return {
    ...form,
    busy,
    problem,
    send: () => void submit(),
    /** What is wrong with a field, in words. */
    wrong: (field: FieldPath<Asked<C>>): string | undefined => {
      const fault = form.getFieldState(field, form.formState).error?.message
      return fault === undefined ? undefined : fieldText({ fault, field, least: null, most: null })
    },
  }
}
