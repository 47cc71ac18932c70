import { toolsWanted } from '@/core/program'
import { asText, readBody } from '../../_api/body'
import { guarded } from '../../_api/guard'
import { problem } from '../../_api/problem'

export const dynamic = 'force-dynamic'

const LIMIT = 8 * 2 ** 20

export const POST = guarded(async (request) => {
  const kind = request.nextUrl.searchParams.get('kind') ?? 'mill'
  if (kind !== 'mill' && kind !== 'lathe')
    return problem(400, 'BAD_REQUEST', 'kind is mill or lathe.', { kind: 'must be mill or lathe' })
  const body = await readBody(request, ['text/plain'], LIMIT)
  if (!body.ok) return body.error
  const read = toolsWanted(asText(body.value), kind)
  if (!read.ok) return problem(422, 'NOT_A_PROGRAM', 'Not one block of a program can be read in this text.')
  return Response.json(read.value)
})
