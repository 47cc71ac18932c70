import { schemaVersion } from '@/stations/reads'
import { theShop } from '@/runtime'
import { problem } from '../_api/problem'
import version from '../../../../package.json'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** Answers once the database does; needs no token. */
export function GET(): Response {
  try {
    return Response.json({ status: 'ok', schema: schemaVersion(theShop().db), version: version.version })
  } catch {
    return problem(500, 'INTERNAL', say.theDatabaseDoesNotAnswer)
  }
}
