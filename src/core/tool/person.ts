/** Who works here, and what they may. */
export const PERSON_ROLES = ['operator', 'lead', 'administrator'] as const
export type PersonRole = (typeof PERSON_ROLES)[number]

/** What a program with a token may: look and compute; take what is handed over; ask as a machine does what stands in it. */
export const SCOPES = ['read', 'hand over', 'load'] as const
export type Scope = (typeof SCOPES)[number]

/** What another program can be told of at once. */
export const HOOK_EVENTS = ['released', 'loaded', 'returned', 'refused'] as const
export type HookEvent = (typeof HOOK_EVENTS)[number]

/** Minutes without anything done at a terminal after which what writes to a machine asks who is there; 0: never asked. */
export const ASK_AGAIN_MIN = 15
/** Hours without anything done at a terminal after which nobody is signed in there any more: longer than a shift; 0: it stays. */
export const STAY_HOURS = 12

/** @param actedAt when something was last done at the terminal, ISO 8601; null: never */
export const isQuiet = (actedAt: string | null, now: string, minutes: number): boolean =>
  minutes > 0 && (actedAt === null || Date.parse(now) - Date.parse(actedAt) > minutes * 60_000)

export interface Person {
  readonly id: string
  readonly name: string
  readonly role: PersonRole
}

/** Limits, posts, labels, rules: a lead's, and an administrator is a lead too. */
export const isLead = (person: Pick<Person, 'role'> | null): boolean => person !== null && person.role !== 'operator'

/** Wrong PINs before anybody waits, then half a minute that doubles up to a quarter of an hour (common practice, no source). */
const FREE_TRIES = 5
const FIRST_WAIT_S = 30
const LONGEST_WAIT_S = 900

/** How long the next PIN is not looked at, s. @param wrong wrong ones one after the other */
export const waitAfter = (wrong: number): number =>
  wrong < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_S, FIRST_WAIT_S * 2 ** Math.min(20, wrong - FREE_TRIES))
export const triesLeft = (wrong: number): number => Math.max(0, FREE_TRIES - wrong)

/** Digits only, so that gloves and keypads do: 4 to 12. */
export const isPin = (text: string): boolean => /^\d{4,12}$/.test(text)
/** One that everybody tries first: all the same, or a run up or down. */
export function isWeakPin(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i]))
  return steps.every((step) => step === steps[0]) && Math.abs(steps[0] ?? 0) <= 1
}
