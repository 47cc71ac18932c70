'use server'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { COUPLING_NAMES } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { putSession } from '@/stations/session/put-session'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { takeInStray } from '@/stations/measure/take-in-stray'
import { wiped } from '@/stations/measure/wiped'
import { refuse } from '@/stations/refusals'
import { answerScan, type ScanAnswer } from '@/stations/scan/answer-scan'
import { handOut, wipeTicket } from '@/runtime/bench-ticket'
import { act, Serial, type Said } from './_server/act'
import { context } from './_server/context'

async function changeSession(change: Parameters<typeof putSession>[2]): Promise<void> {
  const house = await context()
  if (house.sessionId) putSession(house.db, house.sessionId, change, house.now)
  revalidatePath('/', 'layout')
}

export async function setUnitAction(unit: 'mm' | 'inch'): Promise<void> {
  await changeSession({ unit: z.enum(['mm', 'inch']).parse(unit) })
}

export async function setThemeAction(theme: 'granite' | 'basalt'): Promise<void> {
  await changeSession({ theme: z.enum(['granite', 'basalt']).parse(theme) })
}

export async function setPersonAction(id: string): Promise<void> {
  const known = z.string().max(40).safeParse(id)
  const house = await context()
  if (known.success && house.people.some((p) => p.id === known.data)) await changeSession({ personId: known.data })
}

export async function answerScanAction(text: string): Promise<ScanAnswer> {
  const { db, now } = await context()
  return answerScan(db, z.string().max(4096).catch('').parse(text), now)
}

const Stray = z.object({
  serial: Serial,
  coupling: z.enum(COUPLING_NAMES),
  name: z.string().trim().max(80).default(''),
  t: z.number().int().min(1).max(99999).nullable(),
  machine: z.string().max(20).nullable(),
})
export async function takeInStrayAction(input: z.input<typeof Stray>): Promise<Result<{ serial: string }, Said>> {
  return act(Stray, input, (work, stray) => takeInStray(work, { ...stray, name: stray.name || 'Tool without a definition' }))
}

const Wipe = z.object({ serial: Serial, edge: z.number().int().nullable() })
/** The operator wiped an edge: the world behind the bench's stand-in changes. */
export async function wipeAction(input: z.input<typeof Wipe>): Promise<Result<{ ticket: string }, Said>> {
  return act(Wipe, input, (work, { serial, edge }, house) => {
    const assembly = getAssembly(house.db, serial)
    if (!assembly) return refuse({ code: 'UNKNOWN_SERIAL', serial })
    const ticket = handOut(house.db, wipeTicket(house.db, assembly, edge), house.now, assembly)
    wiped(work, assembly, edge)
    return ok({ ticket })
  })
}

const Release = z.object({
  serial: Serial,
  scanned: Serial,
  machine: z.string().max(20).optional(),
  t: z.number().int().min(1).max(99999).optional(),
  pocket: z.number().int().min(1).max(999).optional(),
  tip: z.number().int().min(1).max(9).optional(),
  reason: z.string().max(400).optional(),
  concession: z
    .object({ job: z.string().max(60).nullable(), until: z.iso.date({ error: 'The day cannot be read.' }).nullable() })
    .optional(),
})
export async function releaseAction(input: z.input<typeof Release>): Promise<Result<{ id: number; issue: number }, Said>> {
  return act(Release, input, (work, release, house) => releaseHandover(work, house.control, release))
}
