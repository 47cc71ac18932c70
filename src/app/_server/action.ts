import 'server-only'
import { revalidatePath } from 'next/cache'
import type { z } from 'zod'
import { fail, ok, type LengthUnit, type Result } from '@/core/units'
import type { Answer, Ask, Asked, Contract, Given, Said } from '@/stations/contract'
import { outerCode, type Refusal } from '@/stations/refusals'
import type { Work } from '@/stations/work'
import { refusalText } from '@/words/refusals'
import { context, type Context } from './context'

/** A refusal as a page gets it: its code, and its sentence in the reader's unit. */
export const inWords = (refusal: Refusal, unit: LengthUnit): Said => ({
  code: outerCode(refusal),
  text: refusalText(refusal, unit),
})

function badInput({ issues: [issue] }: z.ZodError): Refusal {
  return {
    code: 'BAD_INPUT',
    fault: issue?.message ?? null,
    field: String(issue?.path.findLast((part) => typeof part === 'string') ?? ''),
    least: issue?.code === 'too_small' ? Number(issue.minimum) : null,
    most: issue?.code === 'too_big' ? Number(issue.maximum) : null,
  }
}

const read = <C extends Contract>(contract: C, asked: unknown): Result<Given<C>, Refusal> => {
  const given = contract.input.safeParse(asked)
  return given.success ? ok(given.data as Given<C>) : fail(badInput(given.error))
}

/** Of what a verb answers, what its contract promises a page: the rest stays here. */
export const only = <T, A>(done: Result<T, Refusal>, promised: (value: T) => A): Result<A, Refusal> =>
  done.ok ? ok(promised(done.value)) : done

type Outcome<T> = Promise<Result<T, Refusal>> | Result<T, Refusal>

/** A verb that writes: parses what came, finds out who works, does it, and has every page read anew. */
export function defineAction<C extends Contract>(
  contract: C,
  verb: (work: Work, given: Given<C>, context: Context) => Outcome<Answer<C>>,
): Ask<C> {
  return async (asked: Asked<C>) => {
    const here = await context()
    const given = read(contract, asked)
    if (!given.ok) return fail(inWords(given.error, here.unit))
    const { db, now, person, unit } = here
    if (!person) return fail(inWords({ code: 'NOBODY' }, unit))
    const done = await verb({ db, now, person }, given.value, here)
    revalidatePath('/', 'layout')
    return done.ok ? done : fail(inWords(done.error, unit))
  }
}

/** A question that changes nothing: no page is made anew. */
export function defineQuestion<C extends Contract>(
  contract: C,
  answer: (given: Given<C>, context: Context) => Outcome<Answer<C>>,
): Ask<C> {
  return async (asked: Asked<C>) => {
    const here = await context()
    const given = read(contract, asked)
    const done = given.ok ? await answer(given.value, here) : given
    return done.ok ? done : fail(inWords(done.error, here.unit))
  }
}
