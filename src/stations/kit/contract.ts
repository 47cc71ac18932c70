import type { ToolListFault } from '@/codecs/faults'
import { z } from 'zod'
import { contract, fault, OneId, OneSerial, PartId, Pieces, PlaceId, Serial, Version } from '../contract'
import type { Machine } from '@/core/tool'
import type { Bare } from '@/core/units'

export interface KitRefusals {
  TOO_LARGE: { readonly program: string }
  NOT_A_PROGRAM: { readonly program: string }
  TOO_MANY_TOOLS: { readonly program: string; readonly most: number }
  /** Written for another kind of machine. */
  OTHER_KIND: { readonly program: string; readonly kind: Machine['kind']; readonly machine: string; readonly is: Machine['kind'] }
  NOT_A_LIST: { readonly list: string; readonly fault: ToolListFault }
  START_PAST: Bare
  NO_TOOLS: Bare
  JOB_EXISTS: { readonly job: string }
  JOB_IS_OPEN: { readonly job: string }
  UNKNOWN_DEFINITION: { readonly definition: string }
  NOT_FOR_MACHINE: { readonly definition: string; readonly machine: string }
  /** Nobody knows the machine and T of the tool on it. */
  NO_T: { readonly serial: string }
  RUSHED_ALREADY: { readonly serial: string; readonly t: number }
  NOT_RUSHED: { readonly job: string }
  NOT_SHORT: { readonly place: string; readonly should: number; readonly found: number }
  OTHER_MACHINE: { readonly serial: string; readonly machine: string | null; readonly job: string; readonly jobMachine: string }
  /** It is in its machine and serves every job there. */
  SERVES_IN_MACHINE: { readonly serial: string; readonly machine: string | null }
  RESERVED: { readonly serial: string; readonly job: string }
  NOTE_EMPTY: Bare
}

const JobId = z.string().trim().min(2, fault('JOB_NUMBER')).max(40)
const HandTool = z.object({
  t: z.number().int().min(1, fault('T_NUMBER')).max(99999),
  name: z.string().trim().max(80).nullable(),
  count: z.number().int().min(1).max(20),
  minutesEach: z.number().positive().max(10_000).nullable(),
  source: z.enum(['by hand', 'tool list']),
})
const Parts = z
  .number({ error: fault('PARTS_COUNT') })
  .int(fault('WHOLE'))
  .min(1, fault('AT_LEAST_ONE'))
  .max(1_000_000)
const Start = z.iso.datetime({ error: fault('START') })
const Priority = z.number().int().min(0).max(8)

export const PROGRAM_LIMIT_BYTES = 8 * 2 ** 20
export const MOST_PROGRAMS = 20

export const addJob = contract<{ id: string }>()(
  z.object({
    id: JobId,
    name: z.string().trim().max(80),
    machine: z.string().min(1, fault('CHOOSE_MACHINE')),
    dueAt: Start,
    quantity: Parts,
    priority: Priority,
    programs: z
      .array(z.object({ name: z.string().max(200), text: z.string().max(PROGRAM_LIMIT_BYTES, fault('PROGRAM_SIZE')) }))
      .max(MOST_PROGRAMS, fault('PROGRAM_COUNT')),
    lists: z.array(z.object({ name: z.string().max(200), text: z.string().max(2 ** 20, fault('LIST_SIZE')) })).max(5),
  }),
)
export const addTools = contract()(z.object({ job: JobId, tools: z.array(HandTool).min(1).max(200), version: Version }))
export const closeJob = contract<{ back: number }>()(z.object({ job: JobId, state: z.enum(['done', 'cancelled']) }))
export const changeJob = contract()(
  z.object({ job: JobId, name: z.string().trim().max(80), dueAt: Start, quantity: Parts, priority: Priority, version: Version }),
)
export const copyJob = contract<{ id: string }>()(z.object({ job: JobId, id: JobId, dueAt: Start }))
const JobWhy = z.object({ job: JobId, reason: z.string().trim().min(5, fault('WHY')).max(300) })
export const reopenJob = contract()(JobWhy)
/** @param to null: nothing to set up; left away: found by itself */
export const mapTool = contract()(
  z.object({
    job: JobId,
    t: z.number().int().min(1).max(99_999_999),
    to: z.string().max(60).nullable().optional(),
    version: Version,
  }),
)
export const neededNow = contract<{ id: string }>()(OneSerial)
export const takeBackNow = contract()(JobWhy)
export const takePart = contract<{ text: string }>()(z.object({ job: JobId, component: PartId, count: Pieces, place: PlaceId }))
export const putBack = contract<{ text: string }>()(z.object({ job: JobId, component: PartId, count: Pieces }))
export const shortPick = contract<{ text: string }>()(
  z.object({ component: PartId, place: z.string().max(40), found: z.number().int().min(0).max(100_000) }),
)
/** @param from the job it is reserved for now */
export const reserveTool = contract()(z.object({ serial: Serial, job: JobId.nullable(), from: JobId.nullable() }))
export const putIntoPlace = contract<{ text: string }>()(z.object({ serial: Serial, place: z.string().trim().max(40) }))
export const writeNote = contract()(z.object({ text: z.string().max(400, fault('NOTE_LENGTH')) }))
export const tickOff = contract()(OneId)
