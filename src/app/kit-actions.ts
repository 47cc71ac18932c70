'use server'
import { z } from 'zod'
import { decodeToolList } from '@/codecs/tool-list'
import { ok, type Result } from '@/core/units'
import { addJob, addTools, closeJob, PROGRAM_LIMIT_BYTES } from '@/stations/kit/add-job'
import { changeJob, copyJob, mapTool, reopenJob } from '@/stations/kit/change-job'
import { neededNow, takeBackNow } from '@/stations/kit/needed-now'
import { putBack, shortPick, takePart } from '@/stations/kit/pick'
import { reserveTool } from '@/stations/kit/reserve'
import { tickOff, writeNote } from '@/stations/kit/shift'
import { refuse } from '@/stations/refusals'
import { putRight } from '@/stations/store/book'
import { putIntoPlace } from '@/stations/store/slot'
import { act, Serial, type Said } from './_server/act'

const JobId = z.string().trim().min(2, 'Give the job a number of at least two characters.').max(40)
const HandTool = z.object({
  t: z.number().int().min(1, 'A T number is 1 or more.').max(99999),
  name: z.string().trim().max(80).nullable(),
  count: z.number().int().min(1).max(20),
  minutesEach: z.number().positive().max(10_000).nullable(),
  source: z.enum(['by hand', 'tool list']),
})
const NewJob = z.object({
  id: JobId,
  name: z.string().trim().max(80),
  machine: z.string().min(1, 'Choose the machine.'),
  dueAt: z.iso.datetime({ error: 'Say when the job starts.' }),
  quantity: z.number({ error: 'Say how many parts.' }).int('Whole parts only.').min(1, 'At least one part.').max(1_000_000),
  priority: z.number().int().min(0).max(8),
  programs: z
    .array(z.object({ name: z.string().max(200), text: z.string().max(PROGRAM_LIMIT_BYTES, 'A program may have 8 MB at most.') }))
    .max(20, 'At most 20 programs a job.'),
  lists: z
    .array(z.object({ name: z.string().max(200), text: z.string().max(2 ** 20, 'A tool list may have 1 MB at most.') }))
    .max(5),
})
export async function addJobAction(input: z.input<typeof NewJob>): Promise<Result<{ id: string }, Said>> {
  return act(NewJob, input, (work, { lists, ...job }) => {
    const extra = []
    for (const { name, text } of lists) {
      const list = decodeToolList(text)
      if (!list.ok) return refuse({ code: 'NOT_A_LIST', list: name, detail: list.error.text })
      extra.push(...list.value)
    }
    const done = addJob(work, { ...job, extra })
    return done.ok ? ok({ id: done.value.id }) : done
  })
}

const Add = z.object({ job: JobId, tools: z.array(HandTool).min(1).max(200) })
export async function addToolsAction(input: z.input<typeof Add>): Promise<Result<null, Said>> {
  return act(Add, input, (work, { job, tools }) => {
    const done = addTools(work, job, tools)
    return done.ok ? ok(null) : done
  })
}

const Close = z.object({ job: JobId, state: z.enum(['done', 'cancelled']) })
export async function closeJobAction(input: z.input<typeof Close>): Promise<Result<{ back: number }, Said>> {
  return act(Close, input, (work, { job, state }) => closeJob(work, job, state))
}

const OneSerial = z.object({ serial: Serial })
export async function neededNowAction(input: z.input<typeof OneSerial>): Promise<Result<{ id: string }, Said>> {
  return act(OneSerial, input, (work, { serial }) => {
    const done = neededNow(work, serial)
    return done.ok ? ok({ id: done.value.id }) : done
  })
}

const Reason = z.string().trim().min(5, 'Say in a few words why.').max(300)
const WithReason = z.object({ job: JobId, reason: Reason })
export async function takeBackNowAction(input: z.input<typeof WithReason>): Promise<Result<null, Said>> {
  return act(WithReason, input, (work, { job, reason }) => takeBackNow(work, job, reason))
}
export async function reopenJobAction(input: z.input<typeof WithReason>): Promise<Result<null, Said>> {
  return act(WithReason, input, (work, { job, reason }) => reopenJob(work, job, reason))
}

const Mapped = z.object({
  job: JobId,
  t: z.number().int().min(1).max(99_999_999),
  /** null: nothing to set up; left away: found by itself. */
  to: z.string().max(60).nullable().optional(),
})
export async function mapToolAction(input: z.input<typeof Mapped>): Promise<Result<null, Said>> {
  return act(Mapped, input, (work, { job, t, to }) => mapTool(work, job, t, to))
}

const Facts = z.object({
  job: JobId,
  name: z.string().trim().max(80),
  dueAt: z.iso.datetime('Type when it starts.'),
  quantity: z.number().int('Whole parts only.').min(1, 'At least one part.').max(1_000_000),
  priority: z.number().int().min(0).max(8),
})
export async function changeJobAction(input: z.input<typeof Facts>): Promise<Result<null, Said>> {
  return act(Facts, input, (work, { job, ...facts }) => changeJob(work, job, facts))
}

const Copied = z.object({ job: JobId, id: JobId, dueAt: z.iso.datetime('Type when it starts.') })
export async function copyJobAction(input: z.input<typeof Copied>): Promise<Result<{ id: string }, Said>> {
  return act(Copied, input, (work, { job, id, dueAt }) => {
    const done = copyJob(work, job, { id, dueAt })
    return done.ok ? ok({ id: done.value.id }) : done
  })
}

const Count = z.number().int('Whole pieces only.').min(1, 'At least one piece.').max(100_000)
const Take = z.object({ job: JobId, component: z.string().max(60), count: Count, place: z.string().max(40).nullable() })
export async function takePartAction(input: z.input<typeof Take>): Promise<Result<{ text: string }, Said>> {
  return act(Take, input, takePart)
}
const Back = z.object({ job: JobId, component: z.string().max(60), count: Count })
export async function putBackAction(input: z.input<typeof Back>): Promise<Result<{ text: string }, Said>> {
  return act(Back, input, putBack)
}
const Short = z.object({ component: z.string().max(60), place: z.string().max(40), found: z.number().int().min(0).max(100_000) })
export async function shortPickAction(input: z.input<typeof Short>): Promise<Result<{ text: string }, Said>> {
  return act(Short, input, shortPick)
}

const Keep = z.object({ serial: Serial, job: JobId.nullable() })
export async function reserveAction(input: z.input<typeof Keep>): Promise<Result<null, Said>> {
  return act(Keep, input, (work, { serial, job }) => reserveTool(work, serial, job))
}

const Put = z.object({ serial: Serial, place: z.string().trim().max(40) })
export async function putIntoPlaceAction(input: z.input<typeof Put>): Promise<Result<{ text: string }, Said>> {
  return act(Put, input, (work, { serial, place }) => putIntoPlace(work, serial, place))
}

const Right = z.object({ id: z.number().int().positive() })
export async function putRightAction(input: z.input<typeof Right>): Promise<Result<{ id: number }, Said>> {
  return act(Right, input, (work, { id }) => putRight(work, id))
}

const Note = z.object({ text: z.string().max(400, 'At most 400 characters.') })
export async function writeNoteAction(input: z.input<typeof Note>): Promise<Result<null, Said>> {
  return act(Note, input, (work, { text }) => writeNote(work, text))
}
export async function tickOffAction(input: z.input<typeof Right>): Promise<Result<null, Said>> {
  return act(Right, input, (work, { id }) => tickOff(work, id))
}
