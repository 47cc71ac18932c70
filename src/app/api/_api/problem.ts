/** Errors of the API: RFC 9457 problem+json, with a code of ours in capitals. */

const TITLES: Readonly<Record<number, string>> = {
  400: 'The request is malformed',
  401: 'Not allowed in',
  404: 'Not known here',
  409: 'It contradicts the record',
  413: 'Too large',
  415: 'Wrong type of content',
  422: 'It cannot be used',
  500: 'A fault of our own',
  503: 'Busy; try again',
  502: 'The machine’s control does not answer',
}

export function problem(status: number, code: string, detail: string, fields?: Readonly<Record<string, string>>): Response {
  const body = {
    type: `urn:boulder:problem:${code.toLowerCase()}`,
    title: TITLES[status] ?? 'Problem',
    status,
    detail,
    code,
    ...(fields ? { fields } : {}),
  }
  return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/problem+json' } })
}
