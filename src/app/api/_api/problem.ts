import { say } from '@/words/screens/outside'
/** Errors of the API: RFC 9457 problem+json, with a code of ours in capitals. */

const TITLES: Readonly<Record<number, string>> = {
  400: say.theRequestIsMalformed,
  401: say.notAllowedIn,
  403: say.notAllowedIn,
  404: say.notKnownHere,
  409: say.itContradictsTheRecord,
  413: say.tooLarge,
  415: say.wrongTypeOfContent,
  421: say.wrongName,
  422: say.itCannotBeUsed,
  500: say.aFaultOfOurOwn,
  503: say.busyTryAgain,
  507: say.theDiskIsFull,
  502: say.theMachinesControlDoesNot,
}

export function problem(status: number, code: string, detail: string, fields?: Readonly<Record<string, string>>): Response {
  const body = {
    type: `urn:boulder:problem:${code.toLowerCase()}`,
    title: TITLES[status] ?? say.problem,
    status,
    detail,
    code,
    ...(fields ? { fields } : {}),
  }
  return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/problem+json' } })
}
