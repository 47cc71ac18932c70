import 'server-only'
import { revalidatePath } from 'next/cache'
import type { z } from 'zod'
import { fail, ok, type Result } from '@/core/units'
import { lastChange } from '@/stations/records/last-change'
import { noteAct, refuseQuiet } from '@/stations/people/ask-again'
import { isAtMachine, isLesson, isOfTheShop, nameOf, refuseRight, rightOf } from '@/stations/rights'
import { logged } from '@/runtime/log'
import { storageFault } from '@/stations/storage'
import { refuser } from '@/stations/write'
import type { Answer, Ask, Asked, Contract, Given, Said } from '@/stations/contract'
import { outerCode, type Refusal } from '@/stations/refusals'
import type { Work } from '@/stations/work'
import { lastChangeText } from '@/words/record'
import { refusalText } from '@/words/refusals'
import { context, shopContext, type Context } from './context'

/** A refusal as a page gets it: its code, and its sentence in the reader's unit; with what somebody else did meanwhile. */
export function inWords(refusal: Refusal, { db, units }: Pick<Context, 'db' | 'units'>): Said {
  const last = refusal.code === 'CHANGED' ? lastChange(db, refusal) : null
  const text = refusalText(refusal, units)
  return { code: outerCode(refusal), text: last ? `${text} ${lastChangeText(last, units)}` : text }
}

function badInput({ issues: [issue] }: z.ZodError): Refusal {
  return {
    code: 'BAD_INPUT',
    fault: issue?.message ?? null,
    field: String(issue?.path.findLast((part) => typeof part === 'string') ?? ''),
    least: issue?.code === 'too_small' ? Number(issue.minimum) : null,
    most: issue?.code === 'too_big' ? Number(issue.maximum) : null,
  }
}

const read = <C extends Contract>(input: Contract['input'], asked: unknown): Result<Given<C>, Refusal> => {
  const given = input.safeParse(asked)
  return given.success ? ok(given.data as Given<C>) : fail(badInput(given.error))
}

/** Of what a verb answers, what its contract promises a page: the rest stays here. */
export const only = <T, A>(done: Result<T, Refusal>, promised: (value: T) => A): Result<A, Refusal> =>
  done.ok ? ok(promised(done.value)) : done

type Outcome<T> = Promise<Result<T, Refusal>> | Result<T, Refusal>

/** Who may not is told, and whoever is known is noted: it is worth knowing what nearly happened. */
function mayNot(contract: Contract, { db, now, person }: Context): Refusal | null {
  const refusal = refuseRight(rightOf(contract), person)
  if (refusal && person) refuser({ db, now, person }, 'Rights')(refusal)
  return refusal
}

/** What a disk that is full, or a database that somebody else has, throws in the middle of anything. */
async function orStorageFault<T>(work: () => Outcome<T>): Promise<Result<T, Refusal>> {
  try {
    return await work()
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return fail({ code: fault })
    throw error
  }
}

/**
 * A verb that writes: finds out who works and may, parses what came, does it, and has every page read anew.
 * @param input where the schema stands elsewhere
 */
export function defineAction<C extends Contract>(
  contract: C,
  verb: (work: Work, given: Given<C>, context: Context) => Outcome<Answer<C>>,
  input: Contract['input'] = contract.input,
): Ask<C> {
  // a verb without a line in the table of rights stops the server at its start, not somebody at work
  rightOf(contract)
  return async (asked: Asked<C>) => {
    const log = logged()
    // how a lesson goes is kept in the shop, wherever it is said
    const here = await (isLesson(contract) ? shopContext() : context())
    const { db, now, person } = here
    const done = await orStorageFault<Answer<C>>(() => {
      const refused = mayNot(contract, here)
      if (refused || !person) return fail(refused ?? { code: 'NOBODY' })
      if (here.lesson && isOfTheShop(contract)) return fail({ code: 'NOT_IN_PRACTICE' })
      // in a practice room time passes as fast as somebody likes, and nobody can do harm
      const quiet = isAtMachine(contract) && !here.lesson ? refuseQuiet({ ...here, person }) : null
      if (quiet) return fail(quiet)
      // whoever practises has done nothing in the shop
      if (!isLesson(contract)) noteAct(here)
      const given = read<C>(input, asked)
      return given.ok ? verb({ db, now, person }, given.value, here) : given
    })
    here.heads.wrote()
    // a tick or a note is seen by others too, though the record tells nothing of it
    if (done.ok) here.bell.ring({ from: here.sessionId, always: true })
    revalidatePath('/', 'layout')
    log({ verb: nameOf(contract), who: here.person?.id ?? null, end: done.ok ? 'ok' : outerCode(done.error) })
    return done.ok ? done : fail(inWords(done.error, here))
  }
}

/** A question that changes nothing: no page is made anew. */
export function defineQuestion<C extends Contract>(
  contract: C,
  answer: (given: Given<C>, context: Context) => Outcome<Answer<C>>,
): Ask<C> {
  // a verb without a line in the table of rights stops the server at its start, not somebody at work
  rightOf(contract)
  return async (asked: Asked<C>) => {
    const log = logged()
    const here = await context()
    const done = await orStorageFault<Answer<C>>(() => {
      const refused = mayNot(contract, here)
      const given = refused ? fail(refused) : read<C>(contract.input, asked)
      return given.ok ? answer(given.value, here) : given
    })
    log({ verb: nameOf(contract), who: here.person?.id ?? null, end: done.ok ? 'ok' : outerCode(done.error) })
    return done.ok ? done : fail(inWords(done.error, here))
  }
}
