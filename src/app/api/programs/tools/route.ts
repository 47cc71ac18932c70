import { programWarningText } from '@/words/kit'
import { toolsWanted } from '@/core/program'
import { asText, readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

const LIMIT = 8 * 2 ** 20

export const POST = guarded(async (request) => {
  const kind = request.nextUrl.searchParams.get('kind') ?? 'mill'
  if (kind !== 'mill' && kind !== 'lathe')
    return problem(400, 'BAD_REQUEST', say.kindIsMillOrLathe, { kind: say.mustBeMillOrLathe })
  const body = await readBody(request, ['text/plain'], LIMIT)
  if (!body.ok) return body.error
  const read = toolsWanted(asText(body.value), kind)
  if (!read.ok) return problem(422, 'NOT_A_PROGRAM', say.notOneBlockOfA)
  const { units, tools, warnings } = read.value
  const told = warnings.map((w) => ({ line: w.line, code: w.code, text: programWarningText(w) }))
  return Response.json({ units, tools, warnings: told })
})
