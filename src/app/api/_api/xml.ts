/** An XML document as an answer. */
export const xml = (body: string, status = 200): Response =>
  new Response(body, { status, headers: { 'content-type': 'application/xml; charset=utf-8' } })
