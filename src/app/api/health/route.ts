import { schemaVersion } from '@/stations/reads'
import { storageFault } from '@/stations/storage'
import { dataFolder, storageState, theShop } from '@/runtime'
import { logFault } from '@/runtime/log'
import { problem } from '../_api/problem'
import { refused } from '../_api/refused'
import version from '../../../../package.json'
import { say } from '@/words/screens/outside'

export const dynamic = 'force-dynamic'

/** Answers once the database does, and says why nothing can be saved; needs no token. */
export function GET(): Response {
  try {
    const schema = schemaVersion(theShop().db)
    const fault = storageState(dataFolder())
    return fault ? refused({ code: fault }) : Response.json({ status: 'ok', schema, version: version.version })
  } catch (error) {
    const fault = storageFault(error)
    if (fault) return refused({ code: fault })
    logFault('health', error)
    return problem(500, 'INTERNAL', say.theDatabaseDoesNotAnswer)
  }
}
