'use server'
import { revalidatePath } from 'next/cache'
import { cookies } from 'next/headers'
import { z } from 'zod'
import { isFirstCode } from '@/runtime/pins'
import { newSession, SESSION_COOKIE, sessionOptions } from '@/runtime/session'
import * as people from '@/stations/people/contract'
import { beginShop } from '@/stations/people/begin-shop'
import { signIn, signOut } from '@/stations/people/sign-in'
import { putSession } from '@/stations/session/put-session'
import type { Refusal } from '@/stations/refusals'
import { answerBadge, answerScan, type ScanAnswer } from '@/stations/scan/answer-scan'
import { findAnything as findAnythingContract } from '@/stations/find/contract'
import { findAnything } from '@/stations/find/find-anything'
import { fail, MASS_UNITS, ok, TEMPERATURE_UNITS, TORQUE_UNITS, type Result } from '@/core/units'
import { defineAction, defineQuestion } from './_server/action'
import { context, type Context } from './_server/context'
import { applyZone } from '@/runtime/zone'

async function changeSession(change: Parameters<typeof putSession>[2]): Promise<void> {
  const shop = await context()
  if (shop.sessionId) putSession(shop.db, shop.sessionId, change, shop.now)
  revalidatePath('/', 'layout')
}

export async function setUnitAction(unit: 'mm' | 'inch'): Promise<void> {
  const known = z.enum(['mm', 'inch']).safeParse(unit)
  if (known.success) await changeSession({ unit: known.data })
}

export async function setThemeAction(theme: 'granite' | 'basalt'): Promise<void> {
  const known = z.enum(['granite', 'basalt']).safeParse(theme)
  if (known.success) await changeSession({ theme: known.data })
}

const Shows = z
  .object({
    torque: z.enum(TORQUE_UNITS),
    temperature: z.enum(TEMPERATURE_UNITS),
    mass: z.enum(MASS_UNITS),
    text: z.enum(['usual', 'large']),
  })
  .partial()

/** In which units, and how large, a terminal shows things. */
export async function setShowsAction(shows: z.infer<typeof Shows>): Promise<void> {
  const known = Shows.safeParse(shows)
  if (known.success) await changeSession({ shows: known.data })
}

/** Somebody gets a session of a new name where they may: a cookie from before is worth nothing. */
async function turned<T>(
  shop: Context,
  enter: (sessions: { readonly sessionId: string; readonly newSessionId: string }) => Promise<Result<T, Refusal>>,
): Promise<Result<T, Refusal>> {
  if (shop.lesson) return fail({ code: 'NOT_IN_PRACTICE' })
  const next = newSession()
  const done = await enter({ sessionId: shop.sessionId ?? '', newSessionId: next.id })
  shop.heads.wrote()
  if (!done.ok) return done
  ;(await cookies()).set(SESSION_COOKIE, next.cookie, sessionOptions())
  revalidatePath('/', 'layout')
  return done
}

export const signInAction = defineQuestion(people.signIn, (given, shop) =>
  turned(shop, (sessions) => signIn(shop, { ...given, ...sessions })),
)
/** The first run of an empty shop: whoever did it is signed in. */
export const beginShopAction = defineQuestion(people.beginShop, (given, shop) =>
  turned(shop, async (sessions) => {
    const begun = await beginShop({ ...shop, isFirstCode }, { ...given, ...sessions })
    if (begun.ok) applyZone(shop.db)
    return begun
  }),
)
export const signOutAction = defineAction(people.signOut, (work, _given, { sessionId }) => signOut(work, sessionId ?? ''))

export async function answerScanAction(text: string): Promise<ScanAnswer> {
  const { db, now, person } = await context()
  const scan = z.string().max(4096).catch('').parse(text)
  return person ? answerScan(db, scan, now) : answerBadge(db, scan)
}

export const findAnythingAction = defineQuestion(findAnythingContract, ({ words }, { db }) => ok(findAnything(db, words)))
