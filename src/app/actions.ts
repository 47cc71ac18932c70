'use server'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { putSession } from '@/stations/session/put-session'
import { answerScan, type ScanAnswer } from '@/stations/scan/answer-scan'
import { findAnything as findAnythingContract } from '@/stations/find/contract'
import { findAnything } from '@/stations/find/find-anything'
import { ok } from '@/core/units'
import { defineQuestion } from './_server/action'
import { context } from './_server/context'

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

export async function setPersonAction(id: string): Promise<void> {
  const known = z.string().max(40).safeParse(id)
  const shop = await context()
  if (known.success && shop.people.some((p) => p.id === known.data)) await changeSession({ personId: known.data })
}

export async function answerScanAction(text: string): Promise<ScanAnswer> {
  const { db, now } = await context()
  return answerScan(db, z.string().max(4096).catch('').parse(text), now)
}

export const findAnythingAction = defineQuestion(findAnythingContract, ({ words }, { db }) => ok(findAnything(db, words)))
