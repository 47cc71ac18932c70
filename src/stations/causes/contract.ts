/** What is wrong with a tool: what is told, and what somebody found. */
import { z } from 'zod'
import { CAUSE_CODES, type BadCase, type Cause, type CauseCode, type NextStep } from '@/core/causes'
import type { Bare } from '@/core/units'
import { contract, Serial } from '../contract'

export interface CauseRefusals {
  BAD_CASE: { readonly bad: BadCase }
  /** It was measured again since, or never. */
  CAUSE_SETTLED: Bare
}

/** What somebody found to be wrong, by the last measurement. */
export const sayCause = contract()(
  z.object({
    serial: Serial,
    measurement: z.number().int().positive(),
    code: z.enum(CAUSE_CODES),
    edge: z.number().int().min(0).max(999).nullable().default(null),
  }),
)

export interface CausesSheet {
  readonly serial: string
  readonly measurement: number
  readonly causes: readonly Cause[]
  readonly next: readonly NextStep[]
  /** Every cause that the tool can have, for whoever found another one. */
  readonly possible: readonly CauseCode[]
  readonly edges: readonly number[]
  readonly said: {
    readonly code: CauseCode
    readonly edge: number | null
    readonly who: string
    readonly wasRight: boolean | null
  } | null
}
