import { z } from 'zod'
import { isPin, PERSON_ROLES, SCOPES, type Person, type Scope } from '@/core/tool'
import type { Bare } from '@/core/units'
import { contract, fault, Version } from '../contract'

export interface PeopleRefusals {
  /** Somebody with a PIN: it is asked for. */
  PIN_NEEDED: { readonly name: string }
  /** Nobody signs in by a badge alone here, and this person has no PIN yet. */
  NO_PIN: { readonly name: string }
  /** @param left tries before anybody waits */
  WRONG_PIN: { readonly left: number }
  /** Too many wrong ones. */
  SIGN_IN_WAITS: { readonly seconds: number }
  WEAK_PIN: Bare
  /** The first run wants the code that the server printed when it was started. */
  WRONG_CODE: Bare
  /** Somebody works here already. */
  NOT_NEW: Bare
  UNKNOWN_PERSON: { readonly id: string }
  /** Its token was ended already, or never was. */
  UNKNOWN_CLIENT: Bare
  /** Whoever is signed in has done nothing here for so long. */
  ASK_AGAIN: { readonly name: string; readonly minutes: number }
  PERSON_THERE: { readonly id: string }
  /** Without one nobody could say who may what. */
  LAST_ADMINISTRATOR: Bare
}

const PersonId = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9-]{0,30}$/, { error: fault('PERSON_ID') })
const Pin = z.string().refine(isPin, { error: fault('PIN') })

/** @param pin null: a badge or a tap alone */
export const signIn = contract<{ readonly person: Person }>()(
  z.object({ personId: z.string().max(40), pin: z.string().max(40).nullable() }),
)
export const signOut = contract()(z.object({}))
/** Somebody's own PIN, or (by an administrator) anybody's; null takes it away. */
export const setPin = contract()(z.object({ personId: PersonId, pin: Pin.nullable() }))
/** @param version 0: a new person */
export const putPerson = contract<{ readonly id: string }>()(
  z.object({
    id: PersonId,
    name: z.string().trim().min(1).max(60),
    role: z.enum(PERSON_ROLES),
    retired: z.boolean(),
    version: z.number().int().min(0),
  }),
)
/** @param askAgainMin minutes, @param stayHours hours; 0: never */
export const setSignIn = contract()(
  z.object({
    badgeAlone: z.boolean(),
    askAgainMin: z.number().int().min(0).max(600),
    stayHours: z.number().int().min(0).max(168),
    version: Version.or(z.literal(0)),
  }),
)
/** The token is in the answer, and nowhere else ever again. */
export const makeClient = contract<{ readonly token: string }>()(
  z.object({
    name: z.string().trim().min(1).max(60),
    scopes: z
      .array(z.enum(SCOPES))
      .min(1, { error: fault('SCOPES') })
      .max(SCOPES.length),
  }),
)
export const endClient = contract()(z.object({ id: z.number().int().positive() }))
/** Whether times can be told in it. */
function isZone(name: string): boolean {
  try {
    return name === '' || new Intl.DateTimeFormat('en', { timeZone: name }) !== null
  } catch {
    return false
  }
}
const ShopItself = z.object({
  shop: z.string().trim().min(1).max(60),
  unit: z.enum(['mm', 'inch']),
  /** IANA name; empty: as the computer has it on which Boulder runs. */
  zone: z.string().max(60).refine(isZone).default(''),
})
/** What the shop is called, and how it begins. */
export const putShop = contract()(ShopItself.extend({ version: z.number().int().min(0) }))
/** The first run of an empty shop: what it is called, and who may say who may what. */
export const beginShop = contract<{ readonly id: string }>()(
  ShopItself.extend({
    code: z.string().trim().max(40),
    id: PersonId,
    name: z.string().trim().min(1).max(60),
    pin: Pin,
  }),
)
/** Signs a person out at every terminal. */
export const endSessions = contract<{ readonly ended: number }>()(z.object({ personId: PersonId }))

/** A person as set-up shows them. */
export interface PersonView extends Person {
  readonly hasPin: boolean
  readonly retired: boolean
  readonly version: number
}
export interface PeopleView {
  /** null where its name comes from outside, as in the demo. */
  readonly shop: { readonly shop: string; readonly unit: 'mm' | 'inch'; readonly zone: string; readonly version: number } | null
  readonly people: readonly PersonView[]
  /** Whether a badge alone is enough for whoever has no PIN. */
  readonly signIn: {
    readonly badgeAlone: boolean
    readonly askAgainMin: number
    readonly stayHours: number
    readonly version: number
  }
}
/** A program with a token, as Settings shows it. */
export interface ClientView {
  readonly id: number
  readonly name: string
  readonly scopes: readonly Scope[]
  readonly madeAt: string
  /** To the hour; null: never. */
  readonly usedAt: string | null
  readonly ended: boolean
}
