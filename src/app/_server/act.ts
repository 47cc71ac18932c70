import 'server-only'
import { revalidatePath } from 'next/cache'
import { z } from 'zod'
import { MARK_RULE, readMark } from '@/core/tool'
import { fail, type Result } from '@/core/units'
import type { Refused, Work } from '@/stations/work'
import { context, type Context } from './context'

export const Serial = z.string().transform((text, context) => {
  const mark = readMark(text)
  if (mark === null) context.addIssue({ code: 'custom', message: `A mark has ${MARK_RULE}.` })
  return mark ?? ''
})
const NOBODY: Refused = {
  code: 'NOBODY',
  text: 'Nobody is working here yet. Scan your badge, or tap your name at the top right.',
}
const BAD: Refused = { code: 'BAD_INPUT', text: 'Something in this form is missing or cannot be read.' }

/** Parses what came, finds out who works, does one verb. */
export async function act<S extends z.ZodType, T>(
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
