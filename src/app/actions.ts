'use server'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { COUPLING_NAMES } from '@/core/tool'
import { fail, ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { putSession } from '@/stations/session/put-session'
import { buildTool } from '@/stations/build/build-tool'
import { releaseHandover } from '@/stations/hand-over/release-hand-over'
import { addJob, PROGRAM_LIMIT_BYTES } from '@/stations/kit/add-job'
import { loadTool, type Loaded } from '@/stations/load/load-tool'
import { takeInStray } from '@/stations/measure/take-in-stray'
import { wiped } from '@/stations/measure/wiped'
import { answerScan, type ScanAnswer } from '@/stations/scan/answer-scan'
import type { Refused, Work } from '@/stations/work'
import { wipeTicket } from '@/runtime/bench-ticket'
import { context, type Context } from './_server/context'

const Serial = z.string().trim().toUpperCase().min(3).max(40)
const NOBODY: Refused = {
  code: 'NOBODY',
  text: 'Nobody is working here yet. Scan your badge, or tap your name at the top right.',
}
const BAD: Refused = { code: 'BAD_INPUT', text: 'Something in this form is missing or cannot be read.' }

/** Parses what came, finds out who works, does one verb. */
async function act<S extends z.ZodType, T>(
  schema: S,
  input: unknown,
  verb: (work: Work, given: z.output<S>, house: Context) => Promise<Result<T, Refused>> | Result<T, Refused>,
): Promise<Result<T, Refused>> {
  const given = schema.safeParse(input)
  if (!given.success) return fail({ ...BAD, text: given.error.issues[0]?.message ?? BAD.text })
  const house = await context()
  if (!house.person) return fail(NOBODY)
  const done = await verb({ db: house.db, now: house.now, person: house.person }, given.data, house)
  revalidatePath('/', 'layout')
  return done
}

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
  return answerScan((await context()).db, z.string().max(4096).catch('').parse(text))
}

const NewJob = z.object({
  id: z.string().trim().min(2, 'Give the job a number of at least two characters.').max(40),
  name: z.string().trim().max(80),
  machine: z.string().min(1, 'Choose the machine.'),
  dueAt: z.iso.datetime({ error: 'Say when the job starts.' }),
  programName: z.string().max(200),
  programText: z.string().max(PROGRAM_LIMIT_BYTES, 'A program may have 8 MB at most.'),
})
export async function addJobAction(input: z.input<typeof NewJob>): Promise<Result<{ id: string }, Refused>> {
  return act(NewJob, input, (work, job) => {
    const done = addJob(work, job)
    return done.ok ? ok({ id: done.value.id }) : done
  })
}

const Build = z.object({ job: z.string().max(60), t: z.number().int(), serial: Serial })
export async function buildToolAction(
  input: z.input<typeof Build>,
): Promise<Result<{ serial: string; touchAt: string }, Refused>> {
  return act(Build, input, (work, { job, t, serial }) => buildTool(work, job, t, serial))
}

const Stray = z.object({
  serial: Serial,
  coupling: z.enum(COUPLING_NAMES),
  name: z.string().trim().max(80).default(''),
  t: z.number().int().min(1).max(99999).nullable(),
  machine: z.string().max(20).nullable(),
})
export async function takeInStrayAction(input: z.input<typeof Stray>): Promise<Result<{ serial: string }, Refused>> {
  return act(Stray, input, (work, stray) => takeInStray(work, { ...stray, name: stray.name || 'Tool without a definition' }))
}

const Wipe = z.object({ serial: Serial, edge: z.number().int().nullable() })
/** The operator wiped an edge: the world behind the bench's stand-in changes. */
export async function wipeAction(input: z.input<typeof Wipe>): Promise<Result<{ ticket: string }, Refused>> {
  return act(Wipe, input, (work, { serial, edge }, house) => {
    const assembly = getAssembly(house.db, serial)
    if (!assembly) return fail({ code: 'UNKNOWN_SERIAL', text: `No tool stands on holder ${serial}.` })
    const ticket = wipeTicket(house.db, assembly, edge)
    wiped(work, assembly, edge)
    return ok({ ticket })
  })
}

const Release = z.object({
  serial: Serial,
  scanned: Serial,
  machine: z.string().max(20).optional(),
  t: z.number().int().min(1).max(99999).optional(),
  reason: z.string().max(400).optional(),
})
export async function releaseAction(input: z.input<typeof Release>): Promise<Result<{ id: number; issue: number }, Refused>> {
  return act(Release, input, (work, release, house) => releaseHandover(work, house.control, release))
}

const Load = z.object({ machine: z.string().max(20), serial: Serial, label: z.string().max(4096) })
export async function loadAction(input: z.input<typeof Load>): Promise<Result<Loaded, Refused>> {
  return act(Load, input, (work, scans, house) => loadTool(work, house.control, scans))
}
