import 'server-only'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { MARK_RULE, readMark } from '@/core/tool'
import { fail, ok, type LengthUnit, type Result } from '@/core/units'
import { outerCode, type Refusal } from '@/stations/refusals'
import type { Work } from '@/stations/work'
import { refusalText } from '@/words/refusals'
import { context, type Context } from './context'

export const Serial = z.string().transform((text, context) => {
  const mark = readMark(text)
  if (mark === null) context.addIssue({ code: 'custom', message: `A mark has ${MARK_RULE}.` })
  return mark ?? ''
})

/** A refusal as a page gets it: its code, and its sentence in the reader's unit. */
export interface Said {
  readonly code: string
  readonly text: string
}

export const inWords = (refusal: Refusal, unit: LengthUnit): Said => ({
  code: outerCode(refusal),
  text: refusalText(refusal, unit),
})

/** What came, when it is what was asked for; else why not. */
export function parse<S extends z.ZodType>(schema: S, input: unknown): Result<z.output<S>, Refusal> {
  const given = schema.safeParse(input)
  return given.success ? ok(given.data) : fail({ code: 'BAD_INPUT', fault: given.error.issues[0]?.message ?? null })
}

/** Parses what came, finds out who works, does one verb. */
export async function act<S extends z.ZodType, T>(
  schema: S,
  input: unknown,
  verb: (work: Work, given: z.output<S>, house: Context) => Promise<Result<T, Refusal>> | Result<T, Refusal>,
): Promise<Result<T, Said>> {
  const house = await context()
  const given = parse(schema, input)
  if (!given.ok) return fail(inWords(given.error, house.unit))
  if (!house.person) return fail(inWords({ code: 'NOBODY' }, house.unit))
  const done = await verb({ db: house.db, now: house.now, person: house.person }, given.value, house)
  revalidatePath('/', 'layout')
  return done.ok ? done : fail(inWords(done.error, house.unit))
}
