'use server'
import { z } from 'zod'
import { FEATURES, type Figures } from '@/core/measure'
import { COUPLING_NAMES } from '@/core/tool'
import { ok, type Result } from '@/core/units'
import { getAssembly } from '@/db/assembly/read'
import { adjustTicket, handOut } from '@/runtime/bench-ticket'
import { addAdapter, changeAdapter, overruleCheck, renewMaster } from '@/stations/measure/adapter'
import { saveValuesCheck } from '@/stations/measure/check-values'
import { keepProgram, type ProgramSave } from '@/stations/measure/keep-program'
import { saveFigures } from '@/stations/measure/save-figures'
import type { Saved } from '@/stations/measure/keep-measurement'
import { readLine, saveLineFigures } from '@/stations/measure/line-figures'
import { cleanPictures, type Cleaned } from '@/stations/measure/clean-pictures'
import { refuse } from '@/stations/refusals'
import { act, Serial, type Said } from './_server/act'

const AdapterChoice = z.object({ serial: Serial })

export async function changeAdapterAction(input: z.input<typeof AdapterChoice>): Promise<Result<null, Said>> {
  return act(AdapterChoice, input, (work, { serial }) => changeAdapter(work, serial))
}

const NewAdapter = z.object({ serial: Serial, coupling: z.enum(COUPLING_NAMES), name: z.string().trim().max(60) })
export async function addAdapterAction(input: z.input<typeof NewAdapter>): Promise<Result<null, Said>> {
  return act(NewAdapter, input, (work, piece) => addAdapter(work, { ...piece, name: piece.name || `adapter ${piece.coupling}` }))
}

const Renewal = z.object({
  id: z.string().max(60),
  LFmm: z.number().positive('Type the length of the new certificate.').max(2000),
  DCmm: z.number().positive('Type the diameter of the new certificate.').max(1000),
  calibratedUntil: z.iso.date({ error: 'Say until when the certificate counts.' }),
})
export async function renewMasterAction(input: z.input<typeof Renewal>): Promise<Result<null, Said>> {
  return act(Renewal, input, renewMaster)
}

const ValuesCheck = z.object({
  coupling: z.enum(COUPLING_NAMES),
  scanned: Serial,
  LFmm: z.number().positive().max(2000),
  DCmm: z.number().positive().max(1000),
})
export async function saveValuesCheckAction(input: z.input<typeof ValuesCheck>): Promise<Result<{ verdict: string }, Said>> {
  return act(ValuesCheck, input, saveValuesCheck)
}

const Reason = z.object({ reason: z.string().trim().min(3, 'Give the reason in a few words.').max(300) })

export async function overruleCheckAction(input: z.input<typeof Reason>): Promise<Result<null, Said>> {
  return act(Reason, input, (work, { reason }) => overruleCheck(work, reason))
}

const Figure = z.number().max(5000).nullable()
const FigureSet = z.object({ LF: Figure, DC: Figure, RE: Figure })
const TypedFigures = z.object({
  serial: Serial,
  scanned: Serial,
  first: FigureSet,
  second: FigureSet,
  reason: z.string().trim().max(300).nullable(),
})

export async function saveFiguresAction(input: z.input<typeof TypedFigures>): Promise<Result<Saved, Said>> {
  return act(TypedFigures, input, (work, given) => saveFigures(work, { ...given, source: 'typed', reason: given.reason || null }))
}

/** What stands on the readouts of the bench at the end of the line. */
export async function readLineAction(): Promise<Result<Figures, Said>> {
  return act(z.object({}), {}, (_work, _given, house) => readLine(house.lineBench))
}

const LineFigures = TypedFigures.omit({ second: true })

export async function saveLineAction(input: z.input<typeof LineFigures>): Promise<Result<Saved, Said>> {
  return act(LineFigures, input, (work, given, house) =>
    saveLineFigures(work, house.lineBench, { ...given, reason: given.reason || null }),
  )
}

const Keep = z.object({ keepDays: z.number().int('Whole days.').max(36_500) })

export async function cleanPicturesAction(input: z.input<typeof Keep>): Promise<Result<Cleaned, Said>> {
  return act(Keep, input, (work, { keepDays }, house) => cleanPictures(work, house.evidence, keepDays))
}

const Turn = z.object({ serial: Serial, key: z.enum(['LF', 'DC']), byMm: z.number().min(-1).max(1) })

/** The hand on the screw, as a stand-in: what a person does to the tool while the bench watches. */
export async function turnScrewAction(input: z.input<typeof Turn>): Promise<Result<{ ticket: string }, Said>> {
  return act(Turn, input, (_work, { serial, key, byMm }, house) => {
    const assembly = getAssembly(house.db, serial)
    if (!assembly) return refuse({ code: 'UNKNOWN_SERIAL', serial })
    const ticket = adjustTicket(house.db, assembly, key === 'LF' ? byMm : 0, key === 'DC' ? byMm : 0)
    return ok({ ticket: handOut(house.db, ticket, house.now, assembly) })
  })
}

const Limit = z.object({ min: z.number().finite().nullable(), max: z.number().finite() })
const Steps = z
  .array(
    z.object({
      name: z.string().trim().max(40),
      at: z.object({ xMm: z.number().min(-50).max(500), downMm: z.number().min(-50).max(500) }).nullable(),
      features: z.array(z.enum(FEATURES)),
      limits: z.partialRecord(z.enum(FEATURES), Limit),
    }),
  )
  .max(20)
const Program = z.object({
  serial: Serial,
  steps: Steps,
  base: z.number().int().min(0),
  why: z.string().trim().min(3, 'Say in a few words why: it stands beside the version.').max(200),
})

export async function keepProgramAction(input: ProgramSave): Promise<Result<{ readonly version: number }, Said>> {
  return act(Program, input, (work, given) => keepProgram(work, given))
}
