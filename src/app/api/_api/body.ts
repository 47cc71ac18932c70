import type { z } from 'zod'
import { fail, ok, type Result } from '@/core/units'
import { problem } from './problem'
import { say } from '@/words/screens/outside'

/** Reads a body and counts while reading; @returns a problem when the type is wrong or it grows too large */
export async function readBody(
  request: Request,
  types: readonly string[],
  limitBytes: number,
): Promise<Result<Uint8Array, Response>> {
  const type = (request.headers.get('content-type') ?? '').split(';')[0].trim().toLowerCase()
  if (!types.includes(type)) return fail(problem(415, 'WRONG_TYPE', say.sendItAs(types.join(' or '))))
  const tooLarge = () =>
    fail(
      problem(
        413,
        'TOO_LARGE',
        say.atMostAreTaken(limitBytes >= 2 ** 20 ? say.limitInMb(limitBytes / 2 ** 20) : say.limitInKb(limitBytes / 1024)),
      ),
    )
  if (Number(request.headers.get('content-length') ?? 0) > limitBytes) return tooLarge()
  const chunks: Uint8Array[] = []
  let size = 0
  const reader = request.body?.getReader()
  while (reader) {
    const { done, value } = await reader.read()
    if (done) break
    size += value.length
    if (size > limitBytes) {
      await reader.cancel()
      return tooLarge()
    }
    chunks.push(value)
  }
  const all = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    all.set(chunk, at)
    at += chunk.length
  }
  return ok(all)
}

/** @returns undefined where it is no JSON */
export function jsonOf(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(asText(bytes))
  } catch {
    return undefined
  }
}

export const asText = (bytes: Uint8Array): string => new TextDecoder('utf-8').decode(bytes)

/** A JSON body of the shape a route asks for; @returns a problem that names every field that is wrong */
export async function readJson<S extends z.ZodType>(
  request: Request,
  shape: S,
  limitBytes: number,
): Promise<Result<z.output<S>, Response>> {
  const body = await readBody(request, ['application/json'], limitBytes)
  if (!body.ok) return body
  const json = jsonOf(body.value)
  if (json === undefined) return fail(problem(400, 'BAD_REQUEST', say.theBodyIsNoJson))
  const given = shape.safeParse(json)
  if (given.success) return ok(given.data)
  const wrong = given.error.issues.map((issue) => [issue.path.join('.') || 'body', issue.message])
  return fail(problem(400, 'BAD_REQUEST', say.somethingInTheBodyIs, Object.fromEntries(wrong)))
}
