/** Other programs that are told of what happens here. */
import { z } from 'zod'
import { HOOK_EVENTS, type HookEvent } from '@/core/tool'
import type { Bare } from '@/core/units'
import { contract, fault } from '../contract'

export interface OutsideRefusals {
  UNKNOWN_HOOK: Bare
}

/** @returns whether it is an address of the web without a name and a password in it */
function isWebAddress(text: string): boolean {
  if (!URL.canParse(text)) return false
  const { protocol, username, password } = new URL(text)
  return (protocol === 'http:' || protocol === 'https:') && username === '' && password === ''
}

/** The secret is in the answer, and nowhere else ever again. */
export const makeHook = contract<{ readonly secret: string }>()(
  z.object({
    name: z.string().trim().min(1).max(60),
    url: z
      .string()
      .trim()
      .max(500)
      .refine(isWebAddress, { error: fault('WEB_ADDRESS') }),
    events: z
      .array(z.enum(HOOK_EVENTS))
      .min(1, { error: fault('EVENTS') })
      .max(HOOK_EVENTS.length),
  }),
)
const One = z.object({ id: z.number().int().positive() })
export const endHook = contract()(One)
/** Sends once more what was given up. */
export const tellAgain = contract<{ readonly count: number }>()(One)

export interface HookView {
  readonly id: number
  readonly name: string
  readonly url: string
  readonly events: readonly HookEvent[]
  readonly ended: boolean
  readonly waiting: number
  readonly givenUp: number
  /** What it was told last; null: nothing yet. */
  readonly last: {
    readonly event: HookEvent
    readonly at: string
    /** null: not yet. */
    readonly takenAt: string | null
    readonly problem: string | null
    /** null: it is not tried again by itself. */
    readonly nextAt: string | null
  } | null
}
