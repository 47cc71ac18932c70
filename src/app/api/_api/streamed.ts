/** A long answer piece by piece: each is made when the one before was taken. @param name of the file; null: no download */
export function streamed(pieces: Iterator<string>, type: string, name: string | null): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      const next = pieces.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(next.value))
    },
  })
  const headers = new Headers({ 'content-type': type })
  if (name !== null) headers.set('content-disposition', `attachment; filename="${name}"`)
  return new Response(body, { headers })
}
