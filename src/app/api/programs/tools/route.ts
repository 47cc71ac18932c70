import { programWarningText } from '@/words/kit'
import { asText, readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { refused } from '../../_api/refused'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const LIMIT = 8 * 2 ** 20

export const POST = guarded(['read'], async (shop, request) => {
  const kind = request.nextUrl.searchParams.get('kind') ?? 'mill'
  if (kind !== 'mill' && kind !== 'lathe')
    return problem(400, 'BAD_REQUEST', say.kindIsMillOrLathe, { kind: say.mustBeMillOrLathe })
  const body = await readBody(request, ['text/plain'], LIMIT)
  if (!body.ok) return body.error
  const done = await shop.heavy.programs([asText(body.value)], kind)
  if (!done.ok) return refused(done.error)
  const [{ wanted: read }] = done.value
  if (!read.ok)
    return read.error.code === 'NOT_A_PROGRAM'
      ? problem(422, 'NOT_A_PROGRAM', say.notOneBlockOfA)
      : problem(422, 'TOO_MANY_TOOLS', say.aProgramCanHaveTools(read.error.most))
  const { units, tools, warnings } = read.value
  const told = warnings.map((w) => ({ line: w.line, code: w.code, text: programWarningText(w) }))
  return Response.json({ units, tools, warnings: told })
})
